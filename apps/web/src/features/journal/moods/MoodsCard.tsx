import {
  type DaySpan,
  type PlainDay,
  formatDay,
  monthOfDay,
  monthsOfYear,
  moodOver,
  yearOfDay,
  daysCompared,
} from '@wimbel/core';
import { useRouter } from 'expo-router';
import { useMemo } from 'react';
import { View } from 'react-native';
import { MoodPlatePicture } from '../../../charts/MoodPlatePicture.tsx';
import { useMarks } from '../../../charts/useMarks.ts';
import { dayInWords } from '../../../text/format.ts';
import { journalPath } from '../../../platform/paths.ts';
import { selectSettings, selectToday } from '../../../store/selectors.ts';
import { useAppSelector } from '../../../store/store.ts';
import { themed } from '../../../theme/Theme.tsx';
import { SPACE } from '../../../theme/space.ts';
import { Button } from '../../../ui/Button.tsx';
import { Card } from '../../../ui/Card.tsx';
import { CardHead } from '../../../ui/CardHead.tsx';
import { Words } from '../../../ui/Words.tsx';
import { MOODS, meanWords, moodWord } from '../../../text/moodText.ts';
import { beforeWords, spanTitle } from '../../../text/spanText.ts';

export type Kind = 'month' | 'year';

export type OfMoods = { span: DaySpan; moods: ReadonlyMap<PlainDay, number> };

export function MoodsCard({ kind, span, moods }: OfMoods & { kind: Kind }) {
  const styles = useStyles();
  const router = useRouter();
  const today = useAppSelector(selectToday);
  const settings = useAppSelector(selectSettings);
  const { weekStart } = settings;
  const choice = useMarks(`moods ${kind} ${span.first}`);
  const mean = moodOver(moods, span, today);
  const { compared, isByNow } = daysCompared(kind, span, weekStart, today);
  const before = compared === null ? null : moodOver(moods, compared, today);
  const told =
    mean === null
      ? 'No day of it has a mood.'
      : `Mean ${meanWords(mean)}${before === null ? '' : `; ${beforeWords(kind, isByNow)} ${meanWords(before)}`}.`;
  const at = choice.at;
  const mood = at === null ? null : (moods.get(at) ?? null);
  const moodOf = useMemo(() => (day: PlainDay) => moods.get(day) ?? null, [moods]);
  const months = useMemo(
    () => (kind === 'year' ? monthsOfYear(yearOfDay(span.first)) : [monthOfDay(span.first)]),
    [kind, span],
  );
  const asWeeks = useMemo(() => (kind === 'month' ? { span, weekStart } : undefined), [kind, span, weekStart]);
  return (
    <Card style={styles.card} label={kind === 'year' ? 'The year in moods' : 'The month in moods'}>
      <CardHead title={kind === 'year' ? 'The year in moods' : 'The month in moods'} />
      <Words type="quiet" tone="quiet">
        {`${told} The higher the sun, the better the day; a ring below the line is the lowest.`}
      </Words>
      <MoodPlatePicture
        months={months}
        {...(asWeeks ? { asWeeks } : {})}
        today={today}
        moodOf={moodOf}
        label={`Moods of ${spanTitle(kind, span, today)} as suns over the sea: the higher, the better. ${told} Arrow keys go from day to day.`}
        choice={choice}
      />
      <View role="status" aria-live="polite" style={styles.told}>
        <Words type="label" tone={at === null ? 'quiet' : 'ink'} style={styles.grow}>
          {at === null
            ? 'Choose a day to see it.'
            : `${dayInWords(at)}: ${at > today ? 'still to come' : mood === null ? 'no mood' : moodWord(settings, MOODS[Math.round(mood) - 1]!)}`}
        </Words>
        {at === null || at > today || at !== choice.chosen ? null : (
          <Button kind="bare" onPress={() => router.push(journalPath(formatDay(at)))}>
            Open its page
          </Button>
        )}
      </View>
    </Card>
  );
}

const useStyles = themed(() => ({
  card: { gap: SPACE.m },
  told: { flexDirection: 'row', alignItems: 'center', minHeight: 44, flexWrap: 'wrap' },
  grow: { flex: 1, minWidth: 160 },
}));
