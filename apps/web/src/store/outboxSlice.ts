import type { Change, Issue } from '@wimbel/contract';
import { type Draft, createSlice, original, type PayloadAction } from '@reduxjs/toolkit';
import { recordsChanged, recordsCleared } from './recordsSlice.ts';

/** A change that the server would not take, kept with what was wrong with it. */
export type Refusal = { change: Change; issues: Issue[] };

export type OutboxState = {
  /** Changes not yet acknowledged, in the order they were made. */
  waiting: Change[];
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
  waiting: [],
  refused: [],
  isReachable: true,
  isKept: true,
  isRecordKept: true,
  isBringingIn: false,
};

/** The state with other changes waiting. Not by a draft: that would look at each of what may be many thousands. */
const withWaiting = (state: Draft<OutboxState>, how: (waiting: readonly Change[]) => Change[]): OutboxState => {
  const held = original(state) as OutboxState;
  return { ...held, waiting: how(held.waiting) };
};

const slice = createSlice({
  name: 'outbox',
  initialState,
  reducers: {
    /** What was kept on this device from an earlier visit. */
    outboxRestored(state, { payload }: PayloadAction<{ waiting: Change[]; refused: Refusal[] }>) {
      const known = new Set(state.waiting.map((each) => each.id));
      state.waiting = [...payload.waiting.filter((each) => !known.has(each.id)), ...state.waiting];
      state.refused = payload.refused;
    },
    /** The server took these in, or has something later. */
    changesAcknowledged(state, { payload }: PayloadAction<{ ids: string[] }>) {
      const gone = new Set(payload.ids);
      return withWaiting(state, (waiting) => waiting.filter((each) => !gone.has(each.id)));
    },
    changesRefused(state, { payload }: PayloadAction<{ refusals: Refusal[] }>) {
      const gone = new Set(payload.refusals.map((each) => each.change.id));
      state.waiting = state.waiting.filter((each) => !gone.has(each.id));
      state.refused.push(...payload.refusals);
    },
    /** Changes made by a clock that ran ahead, with the instant that they get by the server's. */
    changesRestamped(state, { payload }: PayloadAction<{ changes: Change[] }>) {
      const stamped = new Map(payload.changes.map((each) => [each.id, each]));
      state.waiting = state.waiting.map((each) => stamped.get(each.id) ?? each);
    },
    refusalDismissed(state, { payload }: PayloadAction<{ id: string }>) {
      state.refused = state.refused.filter((each) => each.change.id !== payload.id);
    },
    serverReached(state) {
      state.isReachable = true;
    },
    serverMissed(state) {
      state.isReachable = false;
    },
    recordKept(state, { payload }: PayloadAction<boolean>) {
      state.isRecordKept = payload;
    },
    bringingIn(state, { payload }: PayloadAction<boolean>) {
      state.isBringingIn = payload;
    },
    deviceKept(state, { payload }: PayloadAction<boolean>) {
      state.isKept = payload;
    },
  },
  extraReducers: (builder) => {
    builder.addCase(recordsChanged, (state, { payload }) =>
      withWaiting(state, (waiting) => [...waiting, ...payload.changes]),
    );
    // Another account may be opened while something is brought in; that of the one before ends with it.
    builder.addCase(recordsCleared, () => initialState);
  },
});

export const {
  outboxRestored,
  changesAcknowledged,
  changesRefused,
  changesRestamped,
  refusalDismissed,
  serverReached,
  serverMissed,
  bringingIn,
  deviceKept,
  recordKept,
} = slice.actions;
export const outboxReducer = slice.reducer;
