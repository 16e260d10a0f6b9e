import { type Area, type Habit, buildTrack, dayOf, logSpanOf } from '@wimbel/core';
import { figuresTogether, logLines, sortedTracks } from './logRows.ts';

const TODAY = dayOf('2026-11-24');
const AREAS: Area[] = [
  { id: 'yard', name: 'Boat yard', order: 0 },
  { id: 'bay', name: 'The bay', order: 1 },
  { id: 'bare', name: 'Nothing in it', order: 2 },
];
const track = (id: string, more: Partial<Habit> = {}, done: string[] = []) =>
  buildTrack(
    {
      id,
      name: id,
      order: 0,
      aim: 'build',
      partOfDay: 'any',
      measure: { kind: 'check' },
      terms: [{ from: '2026-11-01', schedule: { kind: 'daily' } }],
      startsOn: '2026-11-01',
      ...more,
    },
    done.map((day) => ({ habitId: id, day, mark: 'done' })),
    TODAY,
    'monday',
  );
const splice = track('Splice', { areaId: 'yard' }, ['2026-11-03']);
const swim = track('Cold swim', { areaId: 'bay' });
const sand = track('Sand', { areaId: 'yard' }, ['2026-11-03', '2026-11-04']);
const other = track('Other', { areaId: 'gone' });
const SIZES = { rowPx: 40, areaPx: 30 };

it('the lines of the pegboard lie under each other, by area with those without one last', () => {
  const { lines, heightPx } = logLines([splice, swim, sand, other], AREAS, true, SIZES);
  expect(lines.map((line) => [line.key, line.y])).toEqual([
    ['area yard', 0],
    ['Splice', 30],
    ['Sand', 70],
    ['area bay', 110],
    ['Cold swim', 140],
    ['area ', 180],
    ['Other', 210],
  ]);
  expect(heightPx).toBe(250);
  expect(logLines([splice, swim], AREAS, false, SIZES)).toMatchObject({ heightPx: 80, lines: [{ y: 0 }, { y: 40 }] });
});

it('habits are sorted by the user’s order, by name, or by share with those without one last', () => {
  const shares: Record<string, number | null> = { Splice: 0.5, 'Cold swim': null, Sand: 1.2, Other: 0.5 };
  const sorted = (by: 'order' | 'name' | 'share') =>
    sortedTracks([splice, swim, sand, other], by, ({ habit }) => shares[habit.id]!).map(({ habit }) => habit.id);
  expect(sorted('order')).toEqual(['Splice', 'Cold swim', 'Sand', 'Other']);
  expect(sorted('name')).toEqual(['Cold swim', 'Other', 'Sand', 'Splice']);
  expect(sorted('share')).toEqual(['Sand', 'Other', 'Splice', 'Cold swim']);
});

it('a subtotal adds up the columns, and what was kept of what was asked so far', () => {
  const full = track('Full', { monthTargets: { '2026-11': { days: 1 } } }, ['2026-11-03', '2026-11-04']);
  const span = logSpanOf('month', TODAY, 'monday');
  // Full did two days of its target of one; splice one of 30, of which 23 are settled.
  expect(figuresTogether([full, splice], 'month', span, 0.85)).toEqual({
    actual: 3,
    target: 31,
    left: 29,
    share: 3 / 31,
    kept: 2,
    asked: 24,
    rate: 2 / 24,
  });
});

it('of a folded group only its head stands, and what is below moves up', () => {
  const open = logLines([splice, swim, sand, other], AREAS, true, SIZES);
  const [first] = open.lines;
  const key = first!.kind === 'area' ? (first.area?.id ?? 'none') : '';
  const own = first!.kind === 'area' ? first.tracks.length : 0;
  expect(own).toBeGreaterThan(0);
  const folded = logLines([splice, swim, sand, other], AREAS, true, SIZES, undefined, undefined, new Set([key]));
  expect(folded.lines).toHaveLength(open.lines.length - own);
  expect(folded.lines[0]).toEqual(first);
  expect(folded.lines[1]!.kind).toBe('area');
  expect(folded.heightPx).toBe(open.heightPx - own * SIZES.rowPx);
});
