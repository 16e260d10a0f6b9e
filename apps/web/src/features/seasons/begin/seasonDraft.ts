import type { Change } from '@wimbel/contract';
import {
  type DaySpan,
  type Goal,
  type Habit,
  type Impact,
  type KeyResult,
  type PlainDay,
  type Season,
  type Step,
  evenCheckpoints,
  formatDay,
  formatMonth,
  monthOfDay,
  parseDay,
  seasonSpan,
  isSpanMeasure,
} from '@wimbel/core';
import { editable, parseTyped } from '../../../text/amounts.ts';
import { changeTo, newId } from '../../../store/makeChange.ts';
import { droppedNote, withImpact } from '../carriers.ts';

export const SEASON_PAGES = ['vision', 'when', 'goals', 'carriers', 'months', 'look'] as const;
/** Before a season that follows another stands what is carried over from it. */
export const NEXT_PAGES = ['carry', ...SEASON_PAGES] as const;
export type SeasonPage = (typeof NEXT_PAGES)[number];

/** Weeks of a season unless one says otherwise. */
const USUAL_WEEKS = 12;
export const MOST_WEEKS = 520;

/** A season that is being thought out; nothing of it is recorded yet. */
export type SeasonDraft = {
  id: string;
  /** The season that it follows; "" for none. */
  after: string;
  title: string;
  vision: string;
  why: string;
  startsOn: string;
  weeks: string;
  /** In percent, as typed; "" for the one of the settings. */
  passMark: string;
  /** Goals in it, those set here too. */
  goalIds: string[];
  goals: Goal[];
  keyResults: KeyResult[];
  habits: Habit[];
  steps: Step[];
  /** Habits that were there and carry another goal now ("" for none), by id. */
  links: Record<string, string>;
  /** Impacts of habits and steps that were there, by id; null takes one away. */
  impacts: Record<string, Impact | null>;
  /** Steps that were there and are not worth doing. */
  droppedSteps: string[];
  /** What was dropped, with a word. */
  dropped: { title: string; word: string }[];
  /** What is aimed at by month, as typed, by key result; only those that were touched. */
  months: Record<string, Record<string, string>>;
  /** Habits that end with the season before. */
  ended: string[];
};

export const emptySeasonDraft = (startsOn: PlainDay): SeasonDraft => ({
  id: newId(),
  after: '',
  title: '',
  vision: '',
  why: '',
  startsOn: formatDay(startsOn),
  weeks: String(USUAL_WEEKS),
  passMark: '',
  goalIds: [],
  goals: [],
  keyResults: [],
  habits: [],
  steps: [],
  links: {},
  impacts: {},
  droppedSteps: [],
  dropped: [],
  months: {},
  ended: [],
});

/** A draft kept as text on the device; null where there is none or it cannot be read. */
export function readSeasonDraft(text: string | null, startsOn: PlainDay): SeasonDraft | null {
  if (text === null || text === '') return null;
  try {
    return { ...emptySeasonDraft(startsOn), ...(JSON.parse(text) as Partial<SeasonDraft>) };
  } catch {
    return null;
  }
}

/** The days a draft asks for; null where its first day or weeks are not such. */
export function draftSpan({ startsOn, weeks }: Pick<SeasonDraft, 'startsOn' | 'weeks'>) {
  const count = parseTyped(weeks);
  if (parseDay(startsOn) === null || count === null || !Number.isInteger(count)) return null;
  if (count < 1 || count > MOST_WEEKS) return null;
  return seasonSpan({ startsOn, weeks: count });
}

/** The season of a draft. Its days must be such. */
export function seasonOfDraft(draft: SeasonDraft, more: Partial<Season> = {}): Season {
  const passMark = parseTyped(draft.passMark);
  const notes = [...(more.notes ?? []), ...draft.dropped.map(({ title, word }) => droppedNote(title, word))];
  return {
    id: draft.id,
    title: draft.title.trim(),
    startsOn: draft.startsOn,
    weeks: parseTyped(draft.weeks) ?? USUAL_WEEKS,
    ...(draft.vision.trim() === '' ? {} : { vision: draft.vision.trim() }),
    ...(draft.why.trim() === '' ? {} : { why: draft.why.trim() }),
    ...(passMark === null ? {} : { passMark: passMark / 100 }),
    goalIds: draft.goalIds,
    ...(notes.length === 0 ? {} : { notes }),
  };
}

/** The draft of a season that is there, to be changed. */
export const draftOfSeason = (season: Season): SeasonDraft => ({
  ...emptySeasonDraft(0),
  id: season.id,
  title: season.title,
  vision: season.vision ?? '',
  why: season.why ?? '',
  startsOn: season.startsOn,
  weeks: String(season.weeks),
  passMark: season.passMark === undefined ? '' : editable(Math.round(season.passMark * 1000) / 10),
  goalIds: season.goalIds,
});

/** Existing records beside the draft. */
export type There = { habits: readonly Habit[]; steps: readonly Step[]; keyResults: readonly KeyResult[] };

/** Habits, steps and key results as they will be once the draft is recorded. */
export function withDraft(
  draft: SeasonDraft,
  there: There,
): { habits: Habit[]; steps: Step[]; keyResults: KeyResult[] } {
  const impactOf = <T extends { id: string; impact?: Impact }>(record: T): T =>
    record.id in draft.impacts ? withImpact(record, draft.impacts[record.id] ?? null) : record;
  const habits = [...there.habits, ...draft.habits].map((habit) => {
    const goalId = draft.links[habit.id];
    if (goalId === undefined) return impactOf(habit);
    const { goalId: _, ...rest } = habit;
    return impactOf(goalId === '' ? rest : { ...rest, goalId });
  });
  const dropped = new Set(draft.droppedSteps);
  const steps = [...there.steps, ...draft.steps].filter(({ id }) => !dropped.has(id)).map(impactOf);
  return { habits, steps, keyResults: [...there.keyResults, ...draft.keyResults] };
}

/** Key results of the draft's goals that are aimed at month by month: numbers and money. */
export const monthlyKeyResults = (draft: SeasonDraft, all: readonly KeyResult[]): KeyResult[] =>
  draft.goalIds.flatMap((goalId) => all.filter(({ goalId: own, measure }) => own === goalId && isSpanMeasure(measure)));

/** What a key result is aimed at by month as it stands in the draft: what was typed, else what it has already. */
export const monthsOfDraft = (draft: SeasonDraft, { id, checkpoints = {} }: KeyResult): Record<string, string> =>
  draft.months[id] ?? Object.fromEntries(Object.entries(checkpoints).map(([month, value]) => [month, editable(value)]));

/**
 * Values spread evenly over the months of a season, as typed: from where a key result stands to its target on its due day, or
 * on the season's last day where it has none. The month of that day has the target.
 */
export function evenMonths(
  { measure }: KeyResult,
  { span, due, current }: { span: DaySpan; due: PlainDay | null; current: number },
): Record<string, string> {
  if (!isSpanMeasure(measure)) return {};
  const isWhole = measure.kind === 'number' && Number.isInteger(current) && Number.isInteger(measure.target);
  const end = due ?? span.last;
  const lastMonth = monthOfDay(Math.min(end, span.last));
  const even = evenCheckpoints({ start: span.first, due: end }, { from: current, target: measure.target, isWhole });
  const values = new Map(even.filter(({ month }) => month <= lastMonth).map(({ month, target }) => [month, target]));
  if (end >= span.first && !values.has(lastMonth)) values.set(lastMonth, measure.target);
  return Object.fromEntries([...values].map(([month, value]) => [formatMonth(month), editable(value)]));
}

const checkpointsOf = (typed: Record<string, string>): Record<string, number> =>
  Object.fromEntries(
    Object.entries(typed).flatMap(([month, text]) => {
      const value = parseTyped(text);
      return value === null ? [] : [[month, value]];
    }),
  );

/** A key result with the months that were typed for it. */
function withMonths(draft: SeasonDraft, { checkpoints, ...keyResult }: KeyResult): KeyResult {
  const typed = draft.months[keyResult.id];
  const next = typed === undefined ? (checkpoints ?? {}) : checkpointsOf(typed);
  return Object.keys(next).length === 0 ? keyResult : { ...keyResult, checkpoints: next };
}

type Orders = { goal: number; habit: number };

/** Everything that a draft records at once, in an order in which each only names what came before it. */
export function changesOfSeason(draft: SeasonDraft, there: There, orders: Orders, endsOn: string | null): Change[] {
  const after = withDraft(draft, there);
  const isNew = new Set(draft.habits.map(({ id }) => id));
  const before = new Map([...there.habits, ...there.steps].map((each) => [each.id, each]));
  const ended = new Set(endsOn === null ? [] : draft.ended);
  const habits = after.habits.map((habit) => (ended.has(habit.id) && endsOn ? { ...habit, endsOn } : habit));
  const isChanged = (each: Habit | Step): boolean => {
    const was = before.get(each.id);
    return was !== undefined && JSON.stringify(was) !== JSON.stringify(each);
  };
  const madeSteps = new Set(draft.steps.map(({ id }) => id));
  const touched = there.keyResults.filter(({ id }) => draft.months[id] !== undefined);
  return [
    ...draft.goals
      .filter(({ id }) => draft.goalIds.includes(id))
      .map((goal, index) => changeTo('goals', { ...goal, order: orders.goal + index })),
    ...habits
      .filter(({ id }) => isNew.has(id))
      .map((habit, index) => changeTo('habits', { ...habit, order: orders.habit + index })),
    ...habits.filter((habit) => !isNew.has(habit.id) && isChanged(habit)).map((habit) => changeTo('habits', habit)),
    ...draft.keyResults
      .filter(({ goalId }) => draft.goalIds.includes(goalId))
      .map((keyResult) => changeTo('keyResults', withMonths(draft, keyResult))),
    ...touched.map((keyResult) => changeTo('keyResults', withMonths(draft, keyResult))),
    ...after.steps.filter((step) => madeSteps.has(step.id) || isChanged(step)).map((step) => changeTo('steps', step)),
    ...there.steps
      .filter(({ id }) => draft.droppedSteps.includes(id))
      .map((step) => ({ ...changeTo('steps', step), record: null })),
    changeTo('seasons', seasonOfDraft(draft)),
  ];
}
