import { createHash } from 'node:crypto';
import { setImmediate as yieldToOthers } from 'node:timers/promises';
import { type Change, type Collection, LIMITS } from '@wimbel/contract';
import { type LostWriting, type Room, lostWriting } from '@wimbel/core';
import type { AnyRecord, Origin } from '../queries.ts';
import type { BatchState } from '../batchState.ts';

/** Characters per overflow record, below its first line. */
const LONGEST_PIECE = LIMITS.textLength - 1000;
const LONGEST_TITLE = 200;

/** Limits of texts and lists, from the contract. */
export const ROOM: Room = {
  textLength: LIMITS.textLength,
  listLength: (field) => LISTS_BY_FIELD[field] ?? LIMITS.lists.months,
};

const { lists } = LIMITS;
const LISTS_BY_FIELD: Readonly<Record<string, number>> = {
  terms: lists.terms,
  pauses: lists.pauses,
  variants: lists.variants,
  turns: lists.turns,
  after: lists.after,
  goalIds: lists.seasonGoals,
  habitIds: lists.seasonHabits,
  notes: lists.notes,
  aims: lists.aims,
  hidden: lists.dayMarks,
  dayMarks: lists.dayMarks,
  moodMarks: lists.dayMarks,
};

/** Field names as shown on overflow records. */
const FIELD_TITLES: Readonly<Record<string, string>> = {
  note: 'note',
  why: 'why',
  doneWhen: 'done when',
  vision: 'vision',
  text: 'text',
  wentWell: 'what went well',
  gotInTheWay: 'what got in the way',
  nextTime: 'next time',
  wins: 'wins',
  losses: 'losses',
  lessons: 'lessons',
  aims: 'to keep in mind',
  notes: 'notes',
  variants: 'ways of doing it',
  turns: 'story',
};

const nameOf = (collection: Collection, key: string, record: AnyRecord): string => {
  const { title, name, text } = record as { title?: string; name?: string; text?: string };
  if (collection === 'months') return key;
  return (title ?? name ?? text ?? key).slice(0, LONGEST_TITLE);
};

const pieces = (text: string): string[] =>
  Array.from({ length: Math.ceil(text.length / LONGEST_PIECE) }, (_, at) =>
    text.slice(at * LONGEST_PIECE, (at + 1) * LONGEST_PIECE),
  );

/**
 * Writes overflow records: notes of the habit where there is one, else journal pages. Their ids are derived from the change, for
 * idempotency; one that the person deleted is not created again.
 */
async function putOverflow(
  state: BatchState,
  { id, collection, key, madeAt }: Change,
  record: AnyRecord,
  lost: readonly LostWriting[],
  origin: Origin,
  side: string,
): Promise<void> {
  const { habitId: named, day: ownDay } = record as { habitId?: string; day?: string };
  const habitId = collection === 'habits' ? key : named;
  const whole = lost
    .map(({ field, text }) => `${nameOf(collection, key, record)}, ${FIELD_TITLES[field] ?? field}:\n${text}`)
    .join('\n\n');
  for (const [at, piece] of pieces(whole).entries()) {
    const hash = createHash('sha1').update(`${id} ${collection} ${key} ${side} ${at}`).digest('hex').slice(0, 32);
    const text = `Written on another device at the same time, and too much to stand beside the other.\n${piece}`;
    const of: Collection = habitId === undefined ? 'journal' : 'habitNotes';
    const beside =
      habitId === undefined
        ? { id: hash, day: madeAt.slice(0, 10), part: 'day', text }
        : { id: hash, habitId, ...(ownDay === undefined ? {} : { day: ownDay }), text };
    if ((await state.logged(of, hash)) === null) state.put(of, hash, beside as AnyRecord, origin);
  }
}

/** Two versions of a record and what came of them. */
type MergeOutcome = {
  base: AnyRecord | null;
  held: AnyRecord;
  mine: AnyRecord;
  result: AnyRecord;
  /** Whether the result is one of the two, whole. */
  isWhole: boolean;
};

/** Writes what either version says and the merged record does not to overflow records; returns whether there was anything. */
export async function keepLostWriting(
  state: BatchState,
  change: Change,
  { base, held, mine, result, isWhole }: MergeOutcome,
  origin: Origin,
): Promise<boolean> {
  let isLosing = false;
  for (const [side, version] of Object.entries({ held, mine })) {
    const lost = lostWriting(change.collection, base, version, result, { room: ROOM, isWhole });
    await yieldToOthers();
    if (lost.length === 0) continue;
    isLosing = true;
    await putOverflow(state, change, result, lost, origin, side);
  }
  return isLosing;
}
