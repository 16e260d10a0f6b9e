import {
  type Entry,
  type Goal,
  type Habit,
  type KeyResult,
  type Milestone,
  type PlainDay,
  type Records,
  type Schedule,
  type Season,
  type Step,
  type Track,
  type Weekday,
  buildTrack,
  dayOf,
  formatDay,
  isScheduledOn,
  seasonWeekSpan,
} from '@wimbel/core';
import ical, {
  type ICalCalendar,
  ICalEventRepeatingFreq,
  type ICalRepeatingOptions,
  type ICalWeekday,
} from 'ical-generator';

/** What a calendar can show. */
export const CALENDAR_KINDS = ['due', 'milestones', 'seasons', 'habits'] as const;
/** One of what a calendar can show. */
export type CalendarKind = (typeof CALENDAR_KINDS)[number];

const DAY_MS = 86_400_000;
const dateOf = (day: PlainDay): Date => new Date(day * DAY_MS);
/** "monday" as a calendar file writes it. */
const dayCode = (weekday: Weekday): ICalWeekday => weekday.slice(0, 2).toUpperCase() as ICalWeekday;

type Shown = {
  id: string;
  first: PlainDay;
  last?: PlainDay;
  title: string;
  about?: string;
  repeats?: ICalRepeatingOptions;
};

/** An entry of whole days; the same id each time, so that a calendar that has it already changes it. */
function show(calendar: ICalCalendar, { id, first, last = first, title, about, repeats }: Shown, stamp: Date): void {
  calendar.createEvent({
    id: `${id}@wimbel`,
    start: dateOf(first),
    // A calendar counts the day after the last as the end.
    end: dateOf(last + 1),
    allDay: true,
    stamp,
    summary: title,
    ...(about === undefined || about === '' ? {} : { description: about }),
    ...(repeats === undefined ? {} : { repeating: repeats }),
  });
}

/** How a schedule repeats; null where it names no days: so often in a week or month, on days that the person chooses. */
function repeatsOf(schedule: Schedule): ICalRepeatingOptions | null {
  if (schedule.kind === 'daily') return { freq: ICalEventRepeatingFreq.DAILY };
  if (schedule.kind === 'interval') return { freq: ICalEventRepeatingFreq.DAILY, interval: schedule.every };
  if (schedule.kind === 'weekdays') return { freq: ICalEventRepeatingFreq.WEEKLY, byDay: schedule.days.map(dayCode) };
  return null;
}

/** The first of some days that a habit asks, outside pauses; null where it asks none of them. */
function firstAsked(
  track: Track,
  schedule: Schedule,
  { first, last }: { first: PlainDay; last: PlainDay | null },
): PlainDay | null {
  // Every weekday comes round within a week, an interval within its length.
  const reach = first + (schedule.kind === 'interval' ? schedule.every : 7);
  for (let day = first; day <= Math.min(reach, last ?? Infinity); day++) if (isScheduledOn(track, day)) return day;
  return null;
}

/** What is left of some days without pauses; `last` null goes on for good. */
function withoutPauses(
  first: PlainDay,
  last: PlainDay | null,
  pauses: NonNullable<Habit['pauses']>,
): { first: PlainDay; last: PlainDay | null }[] {
  let left = [{ first, last }];
  for (const { from, to } of pauses) {
    const [begins, ends] = [dayOf(from), dayOf(to)];
    left = left.flatMap((each) => {
      if (ends < each.first || (each.last !== null && begins > each.last)) return [each];
      const before = { first: each.first, last: begins - 1 };
      const after = { first: ends + 1, last: each.last };
      return [before, after].filter((part) => part.last === null || part.last >= part.first);
    });
  }
  return left;
}

/**
 * The planned days of a habit, an entry for each of its terms that still hold, and anew after each pause. Those of an
 * interval go by what was done, from today on. `own` are the entries of the habit.
 */
function plannedOf(habit: Habit, own: readonly Entry[], today: PlainDay): Shown[] {
  const track = buildTrack(habit, own, today, 'monday');
  return habit.terms.flatMap((terms, index): Shown[] => {
    const repeats = repeatsOf(terms.schedule);
    if (repeats === null || habit.archived) return [];
    const next = habit.terms[index + 1];
    const ends = [next && dayOf(next.from) - 1, habit.endsOn && dayOf(habit.endsOn)].filter(
      (each) => each !== undefined,
    );
    const last = ends.length === 0 ? null : Math.min(...(ends as PlainDay[]));
    const begins = Math.max(dayOf(terms.from), dayOf(habit.startsOn));
    return withoutPauses(begins, last, habit.pauses ?? []).flatMap((part): Shown[] => {
      const from = terms.schedule.kind === 'interval' ? Math.max(part.first, today) : part.first;
      if (part.last !== null && (part.last < today || part.last < from)) return [];
      const first = firstAsked(track, terms.schedule, { first: from, last: part.last });
      if (first === null) return [];
      const until = part.last === null ? {} : { until: dateOf(part.last) };
      return [
        {
          id: `habit-${habit.id}-${formatDay(part.first)}`,
          first,
          title: habit.name,
          repeats: { ...repeats, ...until },
        },
      ];
    });
  });
}

/** Days and entries that a calendar is kept to; without them it shows all there is. */
export type CalendarBounds = { window: { first: PlainDay; last: PlainDay }; mostEntries: number };

const NO_BOUNDS: CalendarBounds = { window: { first: -Infinity, last: Infinity }, mostEntries: Infinity };

/** Batch size of calendar entries. */
const AT_ONCE = 10;

/** What a calendar shows, piece by piece: each takes little time to make. */
function* shownOf(
  { goals, keyResults, steps, milestones, seasons, habits, entries }: CalendarRecords,
  kinds: ReadonlySet<CalendarKind>,
  today: PlainDay,
): Generator<Shown[]> {
  const open = new Map(goals.filter(({ state }) => state === 'open').map((goal) => [goal.id, goal]));
  if (kinds.has('due')) {
    for (const { id, dueOn, title, why } of open.values()) {
      if (dueOn !== undefined) yield [{ id: `goal-${id}`, first: dayOf(dueOn), title: `Due: ${title}`, about: why }];
    }
    for (const { id, goalId, title, dueOn } of keyResults) {
      const about = open.get(goalId)?.title;
      if (about !== undefined && dueOn !== undefined)
        yield [{ id: `key-result-${id}`, first: dayOf(dueOn), title: `Due: ${title}`, about }];
    }
    for (const { id, goalId, title, dueOn, doneOn } of steps) {
      const about = open.get(goalId)?.title;
      if (about !== undefined && dueOn !== undefined && doneOn === undefined)
        yield [{ id: `step-${id}`, first: dayOf(dueOn), title: `Due: ${title}`, about }];
    }
  }
  if (kinds.has('milestones')) {
    for (const { id, goalId, title, dueOn, reachedOn } of milestones) {
      const about = open.get(goalId)?.title;
      if (about !== undefined && dueOn !== undefined && reachedOn === undefined)
        yield [{ id: `milestone-${id}`, first: dayOf(dueOn), title: `Milestone: ${title}`, about }];
    }
  }
  if (kinds.has('habits')) {
    const byHabit = new Map<string, Entry[]>();
    for (const each of entries) {
      const own = byHabit.get(each.habitId);
      if (own === undefined) byHabit.set(each.habitId, [each]);
      else own.push(each);
    }
    for (const habit of habits) {
      const planned = plannedOf(habit, byHabit.get(habit.id) ?? [], today);
      for (let at = 0; at < planned.length; at += AT_ONCE) yield planned.slice(at, at + AT_ONCE);
    }
  }
  if (!kinds.has('seasons')) return;
  for (const season of seasons) {
    for (let index = 0; index < season.weeks; index++) {
      const { first, last } = seasonWeekSpan(season, index);
      const title = `${season.title}: week ${index + 1} of ${season.weeks}`;
      if (last >= today) yield [{ id: `season-${season.id}-${index + 1}`, first, last, title }];
    }
  }
}

/** The records that a calendar is made of, and of these only what it shows. */
export type CalendarRecords = {
  goals: Pick<Goal, 'id' | 'title' | 'why' | 'dueOn' | 'state'>[];
  keyResults: Pick<KeyResult, 'id' | 'goalId' | 'title' | 'dueOn'>[];
  steps: Pick<Step, 'id' | 'goalId' | 'title' | 'dueOn' | 'doneOn'>[];
  milestones: Pick<Milestone, 'id' | 'goalId' | 'title' | 'dueOn' | 'reachedOn'>[];
  seasons: Pick<Season, 'id' | 'title' | 'startsOn' | 'weeks'>[];
  habits: Habit[];
  entries: Entry[];
};

const newCalendar = (): ICalCalendar => ical({ name: 'Wimbel', prodId: { company: 'Wimbel', product: 'Wimbel' } });
const BEGINS = 'BEGIN:VEVENT';
const ENDS = 'END:VCALENDAR';

/**
 * The parts of a calendar file, in order, joined they are the file: see {@link calendarFile}. Each part takes a few
 * milliseconds at most, so that whoever makes a calendar for somebody else can turn to other work in between; parts may be
 * empty. Of more entries than `mostEntries` the first that come up stay.
 */
export function* calendarParts(
  records: CalendarRecords,
  kinds: ReadonlySet<CalendarKind>,
  today: PlainDay,
  stamp: Date,
  { window, mostEntries }: CalendarBounds = NO_BOUNDS,
): Generator<string> {
  const frame = newCalendar().toString();
  yield frame.slice(0, frame.indexOf(ENDS));
  let count = 0;
  for (const some of shownOf(records, kinds, today)) {
    const calendar = newCalendar();
    for (const each of some) {
      const isOver = each.repeats === undefined && (each.last ?? each.first) < window.first;
      if (isOver || each.first > window.last || count >= mostEntries) continue;
      count++;
      show(calendar, each, stamp);
    }
    const file = calendar.length() === 0 ? '' : calendar.toString();
    // Of whole days the last one is named as a day too.
    yield file === ''
      ? ''
      : file.slice(file.indexOf(BEGINS), file.indexOf(ENDS)).replaceAll(/UNTIL=(\d{8})T000000Z/g, 'UNTIL=$1');
    if (count >= mostEntries) break;
  }
  yield frame.slice(frame.indexOf(ENDS));
}

/**
 * A calendar file (iCalendar) of what somebody chose: days by which goals, key results and steps are due, milestones, the
 * weeks of seasons, and the days that habits are planned on. All are entries of whole days. What is closed, done or over is
 * left out, and so are habits that name no days. `stamp` is when it was written.
 */
export const calendarFile = (
  records: CalendarRecords,
  kinds: ReadonlySet<CalendarKind>,
  today: PlainDay,
  stamp: Date,
): string => [...calendarParts(records, kinds, today, stamp)].join('');

/** Habits that a calendar cannot show, for they name no days: so often in a week or month. */
export const withoutDays = ({ habits }: Records): Habit[] =>
  habits.filter(({ archived, terms }) => !archived && repeatsOf(terms.at(-1)!.schedule) === null);
