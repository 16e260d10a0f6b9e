import type { Mood, MoodMean, Settings } from '@wimbel/core';
import { counted } from './format.ts';

/** The moods, from low to great. */
export const MOODS: readonly Mood[] = [1, 2, 3, 4, 5];

const WORDS: Record<Mood, string> = { 1: 'Low', 2: 'Flat', 3: 'Even', 4: 'Good', 5: 'Great' };

/** What a mood is called: the person's own word, else one that comes with the app. */
export const moodWord = ({ moodMarks = [] }: Pick<Settings, 'moodMarks'>, mood: Mood): string =>
  moodMarks.find((each) => each.mood === mood)?.word || WORDS[mood];

/** A person's own sign for a mood; null where the sun stands for it. */
export const moodSign = ({ moodMarks = [] }: Pick<Settings, 'moodMarks'>, mood: Mood): string | null =>
  moodMarks.find((each) => each.mood === mood)?.symbol || null;

/** A mean with its days: "3.6 on 28 days". */
export const meanWords = ({ mean, days }: MoodMean): string => `${mean.toFixed(1)} on ${counted(days, 'day')}`;
