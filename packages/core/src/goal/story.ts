import { type PlainDay, type Weekday, dayOf } from '../calendar/plainDay.ts';
import { startOfWeek } from '../calendar/week.ts';
import type { Track } from '../habit/track.ts';
import type { CheckIn, GoalTurn, KeyResult, Milestone, Step } from '../record/records.ts';
import { type Fraction, fractionOf, numberOf } from '../number/fraction.ts';
import { type GoalCourse, type GoalRecords, exactGoalProgress, goalCourse } from './goalCourse.ts';
import { milestoneState } from './milestones.ts';
import { type StepState, stepState, stepsValueWhere } from './steps.ts';
import { instantKey } from './valueAt.ts';
import { isStepsMeasure } from '../keyResults/kinds.ts';

/** Something that happened to a goal. `first` is the first day it tells of, `day` the last. */
export type StoryItem = {
  first: PlainDay;
  day: PlainDay;
  /** The goal's progress (0–1) right after it, before what came later the same day. */
  after: number | null;
} & (
  | { kind: 'begun' }
  | { kind: 'checkIn'; keyResult: KeyResult; checkIn: CheckIn; was: number }
  | { kind: 'habit'; keyResult: KeyResult; /** What a week added to it, in its unit. */ grown: number; unit: string }
  | { kind: 'step'; step: Step; state: StepState }
  | { kind: 'milestone'; milestone: Milestone; state: StepState }
  | { kind: 'turn'; turn: GoalTurn }
);

type Bare<T> = T extends unknown ? Omit<T, 'after'> : never;

function checkInItems({ checkIns }: GoalRecords, { keyResult, course }: GoalCourse['keyResults'][number]) {
  const own = checkIns
    .filter((each) => each.keyResultId === keyResult.id)
    .sort((a, b) => dayOf(a.day) - dayOf(b.day) || (instantKey(a.madeAt) < instantKey(b.madeAt) ? -1 : 1));
  return own.map((checkIn, index) => {
    const day = dayOf(checkIn.day);
    return { kind: 'checkIn' as const, first: day, day, keyResult, checkIn, was: own[index - 1]?.value ?? course.from };
  });
}

/** A habit's weeks that moved a key result, so that a story of years can be read. */
function habitItems({ keyResult, course }: GoalCourse['keyResults'][number], today: PlainDay, weekStart: Weekday) {
  const items: Bare<StoryItem>[] = [];
  const end = Math.min(today, course.due ?? today);
  let day = course.start;
  while (day <= end) {
    const last = Math.min(end, startOfWeek(day, weekStart) + 6);
    let before = course.valueAt(day - 1);
    const grown = course.valueAt(last) - before;
    if (grown !== 0) {
      const moved: PlainDay[] = [];
      for (let each = day; each <= last; each++) {
        const value = course.valueAt(each);
        if (value !== before) moved.push(each);
        before = value;
      }
      items.push({ kind: 'habit', first: moved[0]!, day: moved.at(-1)!, keyResult, grown, unit: course.unit });
    }
    day = last + 1;
  }
  return items;
}

/**
 * Everything that changed a goal's progress, its dates or its state up to today, the latest first; of the same day, what
 * came later in the records first. Days of habits are told week by week.
 */
export function goalStory(
  records: GoalRecords,
  trackOf: (habitId: string) => Track | undefined,
  today: PlainDay,
  weekStart: Weekday,
): StoryItem[] {
  const course = goalCourse(records, trackOf, today);
  const at = (text: string) => ({ first: dayOf(text), day: dayOf(text) });
  const items: Bare<StoryItem>[] = [
    { kind: 'begun', ...at(records.goal.startsOn) },
    ...course.keyResults.flatMap((each) =>
      'habitId' in each.keyResult.measure ? habitItems(each, today, weekStart) : checkInItems(records, each),
    ),
    ...records.steps.flatMap((step) =>
      step.doneOn ? [{ kind: 'step' as const, ...at(step.doneOn), step, state: stepState(step, today) }] : [],
    ),
    ...records.milestones.flatMap((milestone) =>
      milestone.reachedOn
        ? [
            {
              kind: 'milestone' as const,
              ...at(milestone.reachedOn),
              milestone,
              state: milestoneState(milestone, today),
            },
          ]
        : [],
    ),
    ...(records.goal.turns ?? []).map((turn) => ({ kind: 'turn' as const, ...at(turn.on), turn })),
  ];
  const inOrder = items
    .filter((item) => item.day <= today)
    .map((item, place) => ({ item, place }))
    .sort((a, b) => a.item.day - b.item.day || a.place - b.place)
    .map(({ item }) => item);
  return withProgress(inOrder, records, course).reverse();
}

/** Each item with where the goal stood right after it: what came before in the list is done, what comes after is not. */
function withProgress(items: readonly Bare<StoryItem>[], records: GoalRecords, course: GoalCourse): StoryItem[] {
  const values = new Map(course.keyResults.map(({ keyResult, course: { from } }) => [keyResult.id, from]));
  const done = new Set<string>();
  const reached = new Set<string>();
  const isDone = ({ id }: Step): boolean => done.has(id);
  const ratioOn = (day: PlainDay, { keyResult, course: own }: GoalCourse['keyResults'][number]): Fraction => {
    if ('habitId' in keyResult.measure) return own.exactRatioAt(day);
    return own.exactRatioOf(
      isStepsMeasure(keyResult.measure)
        ? stepsValueWhere(keyResult.id, records.steps, isDone).value
        : fractionOf(values.get(keyResult.id)!),
    );
  };
  const progressOn = (day: PlainDay): number | null => {
    const exact = exactGoalProgress(records, course.keyResults, {
      ratioOf: (part) => ratioOn(day, part),
      isReached: ({ id }) => reached.has(id),
      isDone,
    });
    return exact === null ? null : numberOf(exact);
  };
  return items.map((item) => {
    if (item.kind === 'checkIn') values.set(item.keyResult.id, item.checkIn.value);
    if (item.kind === 'step') done.add(item.step.id);
    if (item.kind === 'milestone') reached.add(item.milestone.id);
    return { ...item, after: progressOn(item.day) } as StoryItem;
  });
}
