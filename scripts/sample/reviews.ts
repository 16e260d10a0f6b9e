import {
  type PlainDay,
  type Review,
  type ReviewAnswers,
  dayOfNeighbour,
  formatDay,
  logSpanOf,
  spanJustBefore,
  weekSpan,
  yearOfDay,
} from '@wimbel/core';
import seedrandom from 'seedrandom';

const SEED = 'the tide goes out';

const WEEK_WELL = [
  'Four swims, and none of them bargained with.',
  'The bow hand stayed loose on Thursday. I noticed only afterwards.',
  'Two rows of cards on the ferry count as much as two at the desk.',
  'Sanded to the third strake in one go.',
  'Played for the baker’s queue. Somebody hummed along.',
  'Bed before eleven, five times.',
];
const WEEK_WAY = [
  'Rain from Monday to Wednesday, and I let the boat decide the whole week.',
  'Late from the yard, and then nothing but the sofa.',
  'A cold. I rested and it was right.',
  'Every storm takes the swim and the sanding at once.',
  'Visitors. Good ones.',
];
const WEEK_NEXT = [
  'Lay the cello out the night before.',
  'On storm days: splice a rope instead, ten minutes, indoors.',
  'Cards with the first coffee, not with the second.',
  'Go in before thinking.',
  'Ring Olwen on Sunday about the tides.',
];
const MONTH_WELL = [
  'The bow hold came by itself once the cello stood ready. Two rows of cards on the ferry count as much as two at the desk.',
  'The light came back, and with it the swims. I kept more in three weeks than in the two months before.',
  'Market days are fun again. The new piece holds people for a whole minute.',
  'The planking is closed. I went down at night with a torch to look at it.',
];
const MONTH_WAY = [
  'Every storm takes the swim and the sanding at once.',
  'I plan for the person I am on Saturdays. The Wednesdays have to carry it.',
  'Three weeks of coughing. Nothing to learn from it, except to stop sooner.',
  'Too many lists. What is on two lists gets done on neither.',
];
const MONTH_NEXT = [
  'Lay the cello out the night before, and swim at the slack, not the flood.',
  'On storm days: splice a rope instead, ten minutes, indoors.',
  'One list, in the morning, three lines.',
  'Ask for help with the mast before it is urgent.',
];

/** Looks back: most weeks since spring with gaps, every month, one quarter and one year. */
export function reviews(first: PlainDay, today: PlainDay): Review[] {
  const random = seedrandom(SEED);
  const pick = <T>(of: readonly T[]): T => of[Math.floor(random() * of.length)]!;
  const made: Review[] = [];
  const add = (span: Review['span'], day: PlainDay, answers: ReviewAnswers): void => {
    made.push({ id: `${span}-${formatDay(day)}`, span, from: formatDay(day), answers });
  };
  const thisWeek = weekSpan(today, 'monday').first;
  for (let week = weekSpan(first + 7, 'monday').first; week < thisWeek; week += 7) {
    const [writes, well, way, was] = [random(), random(), random(), random()];
    const isLast = week === thisWeek - 7;
    if (writes > 0.62 && !isLast) continue;
    add('week', week, {
      ...(well < 0.85 ? { wentWell: pick(WEEK_WELL) } : {}),
      ...(way < 0.7 ? { gotInTheWay: pick(WEEK_WAY) } : {}),
      nextTime: isLast ? 'Lay the cello out the night before.' : pick(WEEK_NEXT),
      // Of last week's it is not known yet.
      ...(isLast ? {} : { nextTimeWas: was < 0.4 ? 'done' : was < 0.7 ? 'partly' : 'not' }),
    });
  }
  const thisMonth = logSpanOf('month', today, 'monday');
  let month = logSpanOf('month', first + 20, 'monday');
  for (let at = 0; month.first < thisMonth.first; at++) {
    add('month', month.first, {
      wentWell: MONTH_WELL[at % MONTH_WELL.length]!,
      gotInTheWay: MONTH_WAY[(at + 1) % MONTH_WAY.length]!,
      nextTime: MONTH_NEXT[at % MONTH_NEXT.length]!,
      nextTimeWas: month.last + 1 === thisMonth.first ? 'aside' : pick(['done', 'partly', 'not'] as const),
    });
    month = logSpanOf('month', dayOfNeighbour('month', month, 1), 'monday');
  }
  const before = spanJustBefore('quarter', logSpanOf('quarter', today, 'monday'), 'monday');
  add('quarter', before.first, {
    wentWell: 'The boat floats. That was the plan, and it still surprises me.',
    gotInTheWay: 'August, when everybody came and nothing was kept.',
    nextTime: 'Fewer habits at once, each of them every week.',
    nextTimeWas: 'aside',
    wins: 'Launched on the spring tide\nSwam to the second buoy\nThe first whole suite by heart',
    mostOfWins: 'Launched on the spring tide',
    losses: 'Six weeks without the language\nThe crack in the fourth plank',
    lessons: 'A thing laid out is half done.',
  });
  const lastYear = spanJustBefore('year', logSpanOf('year', today, 'monday'), 'monday');
  add('year', lastYear.first, {
    wentWell: `${yearOfDay(lastYear.first)} was a beginning: three months of turning up.`,
    gotInTheWay: 'Dark mornings.',
    nextTime: 'Swim through the winter, however short.',
    nextTimeWas: 'aside',
    wins: 'Began\nFound the dinghy\nPlayed in front of people',
    mostOfWins: 'Began',
    losses: 'The swim stopped in December\nTwo strings\nA friendship left waiting',
    mostOfLosses: 'A friendship left waiting',
    lessons: 'Small, and daily, and ready.',
  });
  return made;
}
