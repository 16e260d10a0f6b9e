import { dayOf } from '../calendar/plainDay.ts';
import { monthOf } from '../calendar/month.ts';
import { moodLine } from '../chart/moodLine.ts';
import { monthsOfMoods, weeksOfMoods } from '../chart/moodPlate.ts';
import { goalMoves } from '../goal/goalMoves.ts';
import { buildTrack } from '../habit/buildTrack.ts';
import { missesByReason, missesIn } from '../habit/misses.ts';
import { moodOver } from '../mood/moodOver.ts';
import { NO_ENTRIES, withEntriesOn } from '../record/entryYears.ts';
import type { Entry, Goal, KeyResult } from '../record/records.ts';
import { aHabit } from '../testing/samples.ts';
import { pagesByDay, writingOf } from './page.ts';

const TODAY = dayOf('2025-03-20');
const march = { first: dayOf('2025-03-01'), last: dayOf('2025-03-31') };
const size = { widthPx: 372, labelPx: 0, rowPx: 40 };

describe('misses of a span', () => {
  it('are those marked and those an amount failed, gathered by reason whatever its case', () => {
    const entries: Entry[] = [
      { habitId: 'h', day: '2025-03-04', mark: 'missed', note: 'Storm' },
      { habitId: 'h', day: '2025-03-05', mark: 'missed' },
      { habitId: 'h', day: '2025-03-09', mark: 'missed', note: ' storm ' },
      { habitId: 'h', day: '2025-03-11', mark: 'missed', note: 'Late' },
      { habitId: 'h', day: '2025-03-12', mark: 'rest', note: 'Storm' },
      { habitId: 'h', day: '2025-03-25', mark: 'missed', note: 'Storm' },
      { habitId: 'h', day: '2025-02-28', mark: 'missed', note: 'Storm' },
    ];
    const coffee: Entry[] = [{ habitId: 'c', day: '2025-03-06', amount: 3, note: 'Late' }];
    const cups = aHabit({
      id: 'c',
      measure: { kind: 'amount', unit: 'cups', step: 1 },
      terms: [{ from: '2025-03-01', schedule: { kind: 'daily' }, atMost: 1 }],
    });
    const yearsOf = (all: Entry[]) =>
      withEntriesOn(
        NO_ENTRIES,
        all.map((entry) => [dayOf(entry.day), entry] as const),
      );
    const tracks = [buildTrack(aHabit(), entries, TODAY, 'monday'), buildTrack(cups, coffee, TODAY, 'monday')];
    const misses = missesIn(tracks, (id) => yearsOf(id === 'h' ? entries : coffee), march);
    expect(misses.map(({ habitId, day }) => `${habitId} ${day - march.first + 1}`)).toEqual([
      'h 4',
      'h 5',
      'c 6',
      'h 9',
      'h 11',
    ]);
    expect(missesByReason(misses).map(({ reason, misses: all }) => [reason, all.length, all[0]!.habitId])).toEqual([
      // As many each; the storm's last was on the 9th, the late one's on the 11th.
      ['Late', 2, 'h'],
      ['Storm', 2, 'h'],
      [null, 1, 'h'],
    ]);
  });
});

describe('goals in a span', () => {
  const goal: Goal = { id: 'g', title: 'Sail', startsOn: '2025-02-01', dueOn: '2025-04-30', state: 'open', order: 0 };
  const planks: KeyResult = {
    id: 'k',
    goalId: 'g',
    title: 'Planks',
    order: 0,
    measure: { kind: 'number', start: 0, target: 10 },
  };
  const checkIn = (day: string, value: number) => ({
    id: day,
    keyResultId: 'k',
    day,
    value,
    madeAt: `${day}T10:00:00Z`,
  });
  const records = {
    goal,
    keyResults: [planks],
    checkIns: [
      checkIn('2025-02-20', 3),
      checkIn('2025-03-01', 4),
      checkIn('2025-03-10', 5),
      checkIn('2025-03-19', 10),
      checkIn('2025-04-02', 2),
    ],
    steps: [{ id: 's', goalId: 'g', title: 'Rope', order: 0, doneOn: '2025-03-02' }],
    milestones: [
      { id: 'm', goalId: 'g', title: 'Afloat', order: 0, reachedOn: '2025-03-19' },
      { id: 'n', goalId: 'g', title: 'Mast', order: 1, reachedOn: '2025-02-19' },
    ],
  };

  it('have their progress as it began and as it ended, and what was reached in it', () => {
    const [moved] = goalMoves([records], () => undefined, march, TODAY);
    expect([moved?.before, moved?.after, moved?.stepsDone]).toEqual([0.3, 1, 1]);
    expect(moved?.expected).toBeCloseTo(47 / 88, 12);
    expect(moved?.reached).toEqual([
      { kind: 'keyResult', title: 'Planks' },
      { kind: 'milestone', title: 'Afloat' },
    ]);
    const february = { first: dayOf('2025-02-01'), last: dayOf('2025-02-28') };
    expect(goalMoves([records], () => undefined, february, TODAY)[0]).toMatchObject({ before: 0, after: 0.3 });
  });

  it('are those that stood open in it', () => {
    const closed = { ...records, goal: { ...goal, state: 'reached' as const, closedOn: '2025-02-28' } };
    expect(goalMoves([closed], () => undefined, march, TODAY)).toEqual([]);
    const later = { ...records, goal: { ...goal, startsOn: '2025-03-21' } };
    expect(goalMoves([later], () => undefined, march, TODAY)).toEqual([]);
    const now = { ...records, goal: { ...goal, state: 'reached' as const, closedOn: '2025-03-01' } };
    expect(goalMoves([now], () => undefined, march, TODAY)[0]?.reached[0]).toEqual({ kind: 'goal', title: 'Sail' });
  });
});

describe('pictures of moods', () => {
  const moods = new Map([
    [dayOf('2025-03-01'), 1],
    [dayOf('2025-03-02'), 2],
    [dayOf('2025-03-03'), 4.5],
    [dayOf('2025-03-22'), 5],
  ]);
  const moodOf = (day: number) => moods.get(day) ?? null;

  it('have the sun under the sea line, on it, or above it; days to come and days without lie on the line', () => {
    const { rows, suns } = monthsOfMoods([monthOf('2025-03')], TODAY, moodOf, size);
    const sea = rows[0]!.seaY;
    expect(suns).toHaveLength(31);
    expect(suns[0]!.y).toBeGreaterThan(sea);
    expect(suns[1]!.y).toBe(sea);
    expect(suns[2]!.y).toBeLessThan(sea - 10);
    expect(suns[3]).toMatchObject({ mood: null, y: sea, isToCome: false });
    expect(suns[21]).toMatchObject({ mood: null, y: sea, isToCome: true });
    expect(suns.every(({ y }) => y >= 0 && y <= 40)).toBe(true);
  });

  it('of a month stand in seven columns, and its lines are as long as its weeks', () => {
    const { rows, suns, pitchPx } = weeksOfMoods(march, 'monday', TODAY, moodOf, size);
    // March 2025 began on a Saturday and ended on a Monday.
    expect(rows.map(({ fromX, toX }) => Math.round((toX - fromX) / pitchPx))).toEqual([2, 7, 7, 7, 7, 1]);
    expect(suns.filter(({ day }) => day === march.first)[0]!.x).toBeCloseTo(5.5 * pitchPx, 6);
  });

  it('over time are a line with gaps', () => {
    const days = Array.from({ length: 31 }, (_, index) => ({ first: march.first + index, last: march.first + index }));
    const sizes = { widthPx: 300, heightPx: 100, padPx: 0, axisPx: 0 };
    const { points, path } = moodLine(march, days, moods, TODAY, sizes);
    expect(points.map(({ mean, y }) => [mean, y])).toEqual([
      [1, 100],
      [2, 75],
      [4.5, 12.5],
    ]);
    expect(path.match(/M/g)).toHaveLength(1);
    expect(
      moodLine(
        march,
        days,
        new Map([
          [march.first, 2],
          [march.first + 9, 3],
        ]),
        TODAY,
        sizes,
      ).path.match(/M/g),
    ).toHaveLength(2);
    expect(moodOver(moods, march, TODAY)).toEqual({ mean: 2.5, days: 3 });
    expect(moodOver(moods, { first: TODAY, last: march.last }, TODAY)).toBeNull();
  });
});

describe('pages by day', () => {
  it('are together, morning first, and tell their writing in order', () => {
    const pages = pagesByDay([
      { id: 'b', day: '2025-03-01', part: 'day', text: 'Noon' },
      {
        id: 'a',
        day: '2025-03-01',
        part: 'morning',
        answers: [{ promptId: 'p', items: [{ text: ' Ring ' }, { text: '' }] }],
      },
    ]);
    expect([...pages].map(([day, own]) => [day, own.flatMap(writingOf)])).toEqual([[march.first, ['Ring', 'Noon']]]);
  });
});
