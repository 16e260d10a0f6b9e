import {
  type Area,
  type DaySpan,
  type Figures,
  type LogSpan,
  type MonthFigures,
  type Track,
  keptSum,
  logFigures,
  shareOf,
} from '@wimbel/core';

export const SORTS = ['order', 'name', 'share'] as const;
export type Sort = (typeof SORTS)[number];

export type HabitLine = { kind: 'habit'; key: string; track: Track; y: number; heightPx: number };
type AreaLine = { kind: 'area'; key: string; area: Area | null; tracks: Track[]; y: number };
/** A line of the pegboard: a habit, or the area above its habits. */
type LogLine = HabitLine | AreaLine;

type Heights = { rowPx: number; tallRowPx: number; areaPx: number };

/** Habits in the order asked for; by share the best first, those without one last. */
export function sortedTracks(tracks: readonly Track[], sort: Sort, shareOf: (track: Track) => number | null): Track[] {
  if (sort === 'order') return [...tracks];
  const byName = (a: Track, b: Track): number => a.habit.name.localeCompare(b.habit.name);
  if (sort === 'name') return [...tracks].sort(byName);
  return [...tracks].sort((a, b) => (shareOf(b) ?? -1) - (shareOf(a) ?? -1) || byName(a, b));
}

/**
 * The lines of the pegboard from top to bottom; grouped, each area's habits under it and those without one last. What
 * stands for areas may be any groups, told apart by `groupOf`; of those in `folded` only the head stands.
 */
export function logLines(
  tracks: readonly Track[],
  areas: readonly Area[],
  isByArea: boolean,
  { rowPx, tallRowPx, areaPx }: Heights,
  isTall: (track: Track) => boolean = () => false,
  groupOf: (track: Track) => string = ({ habit }) => habit.areaId ?? '',
  folded: ReadonlySet<string> = new Set(),
): { lines: LogLine[]; heightPx: number } {
  const lines: LogLine[] = [];
  let y = 0;
  const add = (own: readonly Track[]): void => {
    for (const track of own) {
      const heightPx = isTall(track) ? tallRowPx : rowPx;
      lines.push({ kind: 'habit', key: track.habit.id, track, y, heightPx });
      y += heightPx;
    }
  };
  if (!isByArea) add(tracks);
  else {
    const known = new Set(areas.map((area) => area.id));
    for (const area of [...areas, null]) {
      const own = tracks.filter((track) => (area ? groupOf(track) === area.id : !known.has(groupOf(track))));
      if (own.length === 0) continue;
      lines.push({ kind: 'area', key: `area ${area?.id ?? ''}`, area, tracks: own, y });
      y += areaPx;
      if (!folded.has(area?.id ?? 'none')) add(own);
    }
  }
  return { lines, heightPx: y };
}

const known = new WeakMap<Track, Map<string, Figures | MonthFigures>>();

/** A habit's figures over the span of the log, computed once for as long as nothing about the habit changes. */
export function figuresOf(track: Track, kind: LogSpan, span: DaySpan, passMark: number): Figures | MonthFigures {
  const name = `${kind} ${span.first} ${passMark}`;
  const own = known.get(track) ?? new Map<string, Figures | MonthFigures>();
  known.set(track, own);
  const figures = own.get(name) ?? logFigures(track, kind, span, passMark);
  own.set(name, figures);
  return figures;
}

/** Several habits together, as one line of figures: the sums of theirs, and what was kept of what was asked of them. */
export function figuresTogether(tracks: readonly Track[], kind: LogSpan, span: DaySpan, passMark: number): Figures {
  const all = tracks.map((track) => figuresOf(track, kind, span, passMark));
  const sum = (of: (figures: Figures) => number): number => all.reduce((total, each) => total + of(each), 0);
  const [actual, target] = [sum((each) => each.actual), sum((each) => each.target)];
  return {
    actual,
    target,
    left: sum((each) => each.left),
    share: shareOf(actual, target),
    ...keptSum(all),
  };
}
