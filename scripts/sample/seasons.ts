import {
  type PlainDay,
  type Review,
  type ReviewAnswers,
  type Season,
  formatDay,
  newSeasonReview,
  weekSpan,
} from '@wimbel/core';

/** A season with what was written on its weeks, by week counted from 0; weeks left out have gaps. */
type SampleSeason = Omit<Season, 'startsOn'> & {
  /** Weeks before the running one, on whose first day it began. */
  weeksAgo: number;
  weekly: Record<number, ReviewAnswers>;
  whole?: ReviewAnswers;
};

const WINTER: SampleSeason = {
  id: 'winter-bench',
  title: 'The winter bench',
  weeksAgo: 4,
  weeks: 12,
  vision: 'In three summers she sails to the outer island with a cello on board, and I can swim home.',
  why: 'The dark months are when nobody asks anything of me. I want them to be mine.',
  goalIds: ['island', 'swim-bay'],
  notes: [
    { text: 'Olwen’s list of what has to dry before frost.', link: 'https://boatyard.example/drying' },
    { text: 'Left out: A second pair of clamps. Borrowed is enough until spring.' },
  ],
  passMark: 0.8,
  weekly: {
    0: {
      wentWell: 'Sanded to the third strake in one go, with the radio on.',
      gotInTheWay: 'The weekend is never dry.',
      nextTime: 'Swim at the slack, not the flood.',
      nextTimeWas: 'not',
    },
    1: {
      wentWell: 'Two evenings at the hull.',
      gotInTheWay:
        'Visitors, an alarm I slept through, and swims cut short by the cold. What would help: a shorter swim that counts.',
      nextTime: 'On storm days: splice a rope instead, ten minutes, indoors.',
      nextTimeWas: 'done',
    },
    3: {
      wentWell: 'Three swims, and none of them bargained with.',
      nextTime: 'Lay the wetsuit out on Sunday night.',
      nextTimeWas: 'aside',
    },
  },
};

const AUTUMN: SampleSeason = {
  id: 'before-the-leaves',
  title: 'Before the leaves',
  weeksAgo: 17,
  weeks: 12,
  vision: 'Sails paid for by the cello, and nobody is surprised.',
  why: 'Both halves of my year belong together.',
  passMark: 0.8,
  goalIds: ['market', 'island'],
  weekly: {
    1: { wentWell: 'The new piece holds people for a whole minute.', nextTime: 'Play it first, not last.' },
    2: { wentWell: 'Two fair days.', gotInTheWay: 'August, when everybody came and nothing was kept.' },
    4: { gotInTheWay: 'The market days fall on the sanding days. One of them has to move.' },
    6: { wentWell: 'Scales before the kettle, every single day.', nextTime: 'The same again.' },
    10: { wentWell: 'The sailmaker has his deposit.' },
  },
  whole: {
    wentWell: 'The sails are paid for. I had stopped believing it in the fifth week.',
    gotInTheWay: 'Two things on one evening.',
    nextTime: 'Fewer goals, and none of them at the weekend only.',
    wins: 'The sailmaker has his deposit\nNine planks of fourteen',
    mostOfWins: 'The sailmaker has his deposit',
    losses: 'Three Sundays of market in the rain',
    lessons: 'What has a fixed evening gets done.',
  },
};

const SPRING: SampleSeason = {
  id: 'turn-of-the-tide',
  title: 'Turn of the tide',
  weeksAgo: 30,
  weeks: 12,
  vision: 'I talk with the harbour master in his own tongue while the paint dries.',
  goalIds: ['harbour', 'market', 'island'],
  weekly: {
    0: { wentWell: 'Everything at once, and it held.' },
    3: { gotInTheWay: 'Visitors. Good ones.', nextTime: 'Cards with the first coffee, not with the second.' },
    7: { wentWell: 'Bed before eleven, five times.' },
  },
  whole: {
    wentWell: 'A beginning of three things.',
    gotInTheWay: 'Three things.',
    nextTime: 'Two goals are plenty.',
    lessons: 'Small, and daily, and ready.',
  },
};

const startOf = ({ weeksAgo }: SampleSeason, today: PlainDay): string =>
  formatDay(weekSpan(today, 'monday').first - weeksAgo * 7);

const recordOf = ({ weeksAgo, weekly: _, whole: __, ...season }: SampleSeason, today: PlainDay): Season => ({
  ...season,
  startsOn: startOf({ weeksAgo } as SampleSeason, today),
});

const ALL = [SPRING, AUTUMN, WINTER];

/** Two seasons that are over and one in its fifth week. */
export const seasons = (today: PlainDay): Season[] => ALL.map((sample) => recordOf(sample, today));

/** What was written on their weeks, and on those that are over as a whole. */
export const seasonReviews = (today: PlainDay): Review[] =>
  ALL.flatMap((sample) => {
    const season = recordOf(sample, today);
    const of = (week: number | null, answers: ReviewAnswers): Review => ({
      ...newSeasonReview(`${season.id}-${week === null ? 'whole' : week + 1}`, season, week),
      answers,
    });
    return [
      ...Object.entries(sample.weekly).map(([week, answers]) => of(Number(week), answers)),
      ...(sample.whole ? [of(null, sample.whole)] : []),
    ];
  });
