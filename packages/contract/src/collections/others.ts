import { HIDEABLE, TODAY_BY, WEEKDAYS, lazy } from '@wimbel/core';
import {
  day,
  dayCount,
  flag,
  id,
  list,
  month,
  name,
  notNegative,
  number,
  oneOf,
  order,
  recordShape,
  shape,
  text,
  weekdays,
  whole,
  link,
} from '../fields.ts';
import { LIMITS } from '../limits.ts';

const ratio = () => number().min(0, 'is not between 0 and 1').max(1, 'is not between 0 and 1');
const JOURNAL_PARTS = ['day', 'morning', 'evening'] as const;

const MOODS = [1, 2, 3, 4, 5] as const;

const isOnce = <T>(value: unknown, keyOf: (each: T) => unknown): boolean =>
  !Array.isArray(value) || new Set(value.map(keyOf)).size === value.length;

const ascends = (value: unknown): boolean =>
  !Array.isArray(value) ||
  value.every(
    (step: { atLeast: number } | null, index) =>
      index === 0 || !(Number(step?.atLeast) <= Number((value[index - 1] as { atLeast: number } | null)?.atLeast)),
  );

/** Schema of the settings. */
export const settingsSchema = lazy(() =>
  recordShape<'settings'>({
    weekStart: oneOf(WEEKDAYS).required('is missing'),
    passMark: ratio().required('is missing'),
    dayEndsAt: whole().required('is missing').min(0, 'is not between 0 and 6').max(6, 'is not between 0 and 6'),
    dayMarks: list(
      shape({ atLeast: dayCount().required('is missing'), symbol: text().defined('is missing') }).required(
        'is missing',
      ),
      LIMITS.lists.dayMarks,
    ).test('ascending', 'does not ascend', ascends),
    currency: text().matches(/^[A-Z]{3}$/, 'is not a currency code of three letters'),
    pipsName: shape({ one: name(), many: name() }),
    fullDayTarget: shape({ month: dayCount(), year: dayCount() }),
    moodMarks: list(
      shape({ mood: oneOf(MOODS).required('is missing'), symbol: text(), word: text() }).required('is missing'),
      MOODS.length,
    ).test('once', 'names a mood twice', (value) => isOnce(value, (each: { mood: number }) => each?.mood)),
    reviewDay: oneOf(WEEKDAYS),
    hidden: list(oneOf(HIDEABLE).required('is missing'), HIDEABLE.length),
    todayBy: oneOf(TODAY_BY),
  }),
);

/** Schema of an area. */
export const areaSchema = lazy(() =>
  recordShape<'areas'>({ id: id(), name: name(), color: text(), icon: text(), order: order() }),
);

/** Schema of a season. */
export const seasonSchema = lazy(() =>
  recordShape<'seasons'>({
    id: id(),
    title: name(),
    startsOn: day().required('is missing'),
    weeks: whole().required('is missing').min(1, 'is below 1').max(520, 'is above 520'),
    vision: text(),
    why: text(),
    passMark: ratio(),
    goalIds: list(id(), LIMITS.lists.seasonGoals).required('is missing'),
    habitIds: list(id(), LIMITS.lists.seasonHabits),
    notes: list(shape({ text: text().defined('is missing'), link: link() }).required('is missing'), LIMITS.lists.notes),
  }),
);

/** Schema of a month’s word and aims. */
export const monthSchema = lazy(() =>
  recordShape<'months'>({
    month: month().required('is missing'),
    word: text(),
    aims: list(text().defined('is missing'), LIMITS.lists.aims).required('is missing'),
  }),
);

/** Schema of a page of the journal. */
export const journalSchema = lazy(() =>
  recordShape<'journal'>({
    id: id(),
    day: day().required('is missing'),
    part: oneOf(JOURNAL_PARTS).required('is missing'),
    mood: oneOf(MOODS),
    feelings: list(text().defined('is missing'), LIMITS.lists.feelings),
    text: text(),
    answers: list(
      shape({
        promptId: id(),
        promptText: text(),
        text: text(),
        items: list(
          shape({ text: text().defined('is missing'), done: flag() }).required('is missing'),
          LIMITS.lists.answerItems,
        ),
      }).required('is missing'),
      LIMITS.lists.answers,
    ),
  }),
);

/** Schema of a prompt. */
export const promptSchema = lazy(() =>
  recordShape<'prompts'>({
    id: id(),
    text: name(),
    part: oneOf(JOURNAL_PARTS).required('is missing'),
    kind: oneOf(['text', 'list', 'checklist']).required('is missing'),
    size: whole().min(1, 'is below 1'),
    active: flag().required('is missing'),
    order: order(),
  }),
);

/** Schema of a look back. */
export const reviewSchema = lazy(() =>
  recordShape<'reviews'>({
    id: id(),
    span: oneOf(['week', 'month', 'quarter', 'year']).required('is missing'),
    from: day().required('is missing'),
    seasonId: id().optional(),
    answers: shape({
      wentWell: text(),
      gotInTheWay: text(),
      nextTime: text(),
      wins: text(),
      losses: text(),
      lessons: text(),
      mostOfWins: text(),
      mostOfLosses: text(),
      nextTimeWas: oneOf(['done', 'partly', 'not', 'aside']),
    }).required('is missing'),
  }),
);

/** Schema of a reward. */
export const rewardSchema = lazy(() =>
  recordShape<'rewards'>({
    id: id(),
    title: name(),
    cost: notNegative().required('is missing'),
    icon: text(),
    order: order(),
    retired: flag(),
  }),
);

/** Schema of a claim of a reward. */
export const claimSchema = lazy(() =>
  recordShape<'claims'>({
    id: id(),
    rewardId: id(),
    day: day().required('is missing'),
    cost: notNegative().required('is missing'),
  }),
);

/** Schema of a quote. */
export const quoteSchema = lazy(() => recordShape<'quotes'>({ id: id(), text: name(), by: text() }));

/** Schema of a reminder. */
export const reminderSchema = lazy(() =>
  recordShape<'reminders'>({
    id: id(),
    habitId: id().optional(),
    about: oneOf(['habits', 'journal', 'review', 'habit']).required('is missing'),
    at: text()
      .required('is missing')
      .matches(/^([01]\d|2[0-3]):[0-5]\d$/, 'is not a time, written HH:MM'),
    days: weekdays().required('is missing'),
    on: flag().required('is missing'),
  }),
);
