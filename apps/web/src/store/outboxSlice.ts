import type { Change } from '@wimbel/contract';
import { type UnknownAction, createAction } from '@reduxjs/toolkit';
import { recordsChanged, recordsCleared } from './recordsSlice.ts';
import {
  NO_PENDING,
  type PendingChanges,
  type Refusal,
  allPending,
  pendingOf,
  mapPending,
  withPending,
  withoutPending,
} from '@wimbel/sync';

type OutboxState = {
  /** Changes not yet acknowledged, in the order they were made. */
  waiting: PendingChanges;
  refused: Refusal[];
  /** Whether the server could be reached when last tried. */
  isReachable: boolean;
  /** Whether pending changes are stored on this device; false where its storage failed. */
  isKept: boolean;
  /** Whether the record is stored on this device; false where its storage failed. */
  isRecordKept: boolean;
  /** Whether an import is running: celebrations are silenced. */
  isImporting: boolean;
};

const initialState: OutboxState = {
  waiting: NO_PENDING,
  refused: [],
  isReachable: true,
  isKept: true,
  isRecordKept: true,
  isImporting: false,
};

/** The outbox of an earlier visit was read. */
export const outboxRestored = createAction<{ waiting: Change[]; refused: Refusal[] }>('outbox/outboxRestored');
/** The server accepted these, or has something later. */
export const changesAcknowledged = createAction<{ ids: string[] }>('outbox/changesAcknowledged');
export const changesRefused = createAction<{ refusals: Refusal[] }>('outbox/changesRefused');
/** Changes of a clock that runs ahead, restamped with the server's time. */
export const changesRestamped = createAction<{ changes: Change[] }>('outbox/changesRestamped');

export const refusalDismissed = createAction<{ id: string }>('outbox/refusalDismissed');
export const serverReached = createAction('outbox/serverReached');
export const serverMissed = createAction('outbox/serverMissed');
export const deviceKept = createAction<boolean>('outbox/deviceKept');
export const recordKept = createAction<boolean>('outbox/recordKept');
export const importProgressed = createAction<boolean>('outbox/bringingIn');

/** Reduces actions on pending changes; null for other actions. */
function withWaiting(state: OutboxState, action: UnknownAction): OutboxState | null {
  const { waiting, refused } = state;
  if (recordsChanged.match(action)) return { ...state, waiting: withPending(waiting, action.payload.changes) };
  if (changesAcknowledged.match(action)) return { ...state, waiting: withoutPending(waiting, action.payload.ids) };
  if (changesRefused.match(action)) {
    const { refusals } = action.payload;
    const ids = refusals.map(({ change }) => change.id);
    return { ...state, waiting: withoutPending(waiting, ids), refused: [...refused, ...refusals] };
  }
  if (changesRestamped.match(action)) {
    const stamped = new Map(action.payload.changes.map((each) => [each.id, each]));
    return { ...state, waiting: mapPending(waiting, (each) => stamped.get(each.id) ?? each) };
  }
  if (outboxRestored.match(action)) {
    const here = allPending(waiting);
    const known = new Set(here.map((each) => each.id));
    const restored = action.payload.waiting.filter((each) => !known.has(each.id));
    return { ...state, waiting: pendingOf([...restored, ...here]), refused: action.payload.refused };
  }
  return null;
}

/** Written without immer: drafts would traverse the pending changes, which may be many thousands, on every action. */
export function outboxReducer(state: OutboxState = initialState, action: UnknownAction): OutboxState {
  // Opening another account ends an import of the one before.
  if (recordsCleared.match(action)) return initialState;
  if (serverReached.match(action)) return { ...state, isReachable: true };
  if (serverMissed.match(action)) return { ...state, isReachable: false };
  if (deviceKept.match(action)) return { ...state, isKept: action.payload };
  if (recordKept.match(action) && action.payload !== state.isRecordKept)
    return { ...state, isRecordKept: action.payload };
  if (importProgressed.match(action)) return { ...state, isImporting: action.payload };
  if (refusalDismissed.match(action))
    return { ...state, refused: state.refused.filter(({ change }) => change.id !== action.payload.id) };
  return withWaiting(state, action) ?? state;
}
