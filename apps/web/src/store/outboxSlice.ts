import type { Change, Issue } from '@wimbel/contract';
import { type UnknownAction, createAction } from '@reduxjs/toolkit';
import { recordsChanged, recordsCleared } from './recordsSlice.ts';
import {
  NONE_WAITING,
  type Waiting,
  allWaiting,
  waitingOf,
  withEach,
  withMore,
  withoutThese,
} from './pendingChanges.ts';

/** A change that the server would not take, kept with what was wrong with it. */
export type Refusal = { change: Change; issues: Issue[] };

export type OutboxState = {
  /** Changes not yet acknowledged, in the order they were made. */
  waiting: Waiting;
  refused: Refusal[];
  /** Whether the server could be reached when last tried. */
  isReachable: boolean;
  /** Whether what waits is kept on this device; false where its storage would not take it. */
  isKept: boolean;
  /** Whether the record is kept on this device; false where its storage would not take it. */
  isRecordKept: boolean;
  /** Whether many changes are being brought in, some at once: what comes of them is no news. */
  isBringingIn: boolean;
};

const initialState: OutboxState = {
  waiting: NONE_WAITING,
  refused: [],
  isReachable: true,
  isKept: true,
  isRecordKept: true,
  isBringingIn: false,
};

/** What was kept on this device from an earlier visit. */
export const outboxRestored = createAction<{ waiting: Change[]; refused: Refusal[] }>('outbox/outboxRestored');
/** The server took these in, or has something later. */
export const changesAcknowledged = createAction<{ ids: string[] }>('outbox/changesAcknowledged');
export const changesRefused = createAction<{ refusals: Refusal[] }>('outbox/changesRefused');
/** Changes made by a clock that ran ahead, with the instant that they get by the server's. */
export const changesRestamped = createAction<{ changes: Change[] }>('outbox/changesRestamped');

export const refusalDismissed = createAction<{ id: string }>('outbox/refusalDismissed');
export const serverReached = createAction('outbox/serverReached');
export const serverMissed = createAction('outbox/serverMissed');
export const deviceKept = createAction<boolean>('outbox/deviceKept');
export const recordKept = createAction<boolean>('outbox/recordKept');
export const bringingIn = createAction<boolean>('outbox/bringingIn');

/** What comes of what waits; null where an action is about something else. */
function withWaiting(state: OutboxState, action: UnknownAction): OutboxState | null {
  const { waiting, refused } = state;
  if (recordsChanged.match(action)) return { ...state, waiting: withMore(waiting, action.payload.changes) };
  if (changesAcknowledged.match(action)) return { ...state, waiting: withoutThese(waiting, action.payload.ids) };
  if (changesRefused.match(action)) {
    const { refusals } = action.payload;
    const ids = refusals.map(({ change }) => change.id);
    return { ...state, waiting: withoutThese(waiting, ids), refused: [...refused, ...refusals] };
  }
  if (changesRestamped.match(action)) {
    const stamped = new Map(action.payload.changes.map((each) => [each.id, each]));
    return { ...state, waiting: withEach(waiting, (each) => stamped.get(each.id) ?? each) };
  }
  if (outboxRestored.match(action)) {
    const here = allWaiting(waiting);
    const known = new Set(here.map((each) => each.id));
    const restored = action.payload.waiting.filter((each) => !known.has(each.id));
    return { ...state, waiting: waitingOf([...restored, ...here]), refused: action.payload.refused };
  }
  return null;
}

/** Without drafts: those would walk through all that waits, which may be many thousands of changes, again and again. */
export function outboxReducer(state: OutboxState = initialState, action: UnknownAction): OutboxState {
  // Another account may be opened while something is brought in; that of the one before ends with it.
  if (recordsCleared.match(action)) return initialState;
  if (serverReached.match(action)) return { ...state, isReachable: true };
  if (serverMissed.match(action)) return { ...state, isReachable: false };
  if (deviceKept.match(action)) return { ...state, isKept: action.payload };
  if (recordKept.match(action)) return { ...state, isRecordKept: action.payload };
  if (bringingIn.match(action)) return { ...state, isBringingIn: action.payload };
  if (refusalDismissed.match(action))
    return { ...state, refused: state.refused.filter(({ change }) => change.id !== action.payload.id) };
  return withWaiting(state, action) ?? state;
}
