/** What somebody may want to get better at, with a few habits small enough to begin with; lines to be edited. */
export const HABIT_IDEAS = [
  {
    id: 'music',
    label: 'Making music',
    lines: ['Scales 10 min', 'One piece from start to end, 3 a week', 'Listen with eyes closed, evenings'],
  },
  {
    id: 'body',
    label: 'Moving more',
    lines: ['Walk 20 min', 'Stretch 5 min, mornings', 'Swim, 2 a week'],
  },
  {
    id: 'words',
    label: 'Reading and languages',
    lines: ['Read 10 pages, evenings', 'Five new words, mornings', 'Speak aloud 5 min, 4 a week'],
  },
  {
    id: 'hands',
    label: 'Making and mending',
    lines: ['Work with my hands 30 min, weekends', 'Put one thing in order, evenings'],
  },
  {
    id: 'rest',
    label: 'Sleep and calm',
    lines: ['Lights out by eleven, evenings', 'Five quiet minutes, midday', 'Outside before breakfast, mornings'],
  },
  {
    id: 'people',
    label: 'Keeping in touch',
    lines: ['Call someone, 2 a week', 'Write a letter, 2 a month'],
  },
  {
    id: 'less',
    label: 'Less of something',
    lines: ['No coffee after two', 'No phone in bed, evenings'],
  },
] as const;
