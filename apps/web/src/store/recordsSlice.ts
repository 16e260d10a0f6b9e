import type { Change, ServerRow } from '@wimbel/contract';
import { createSlice, original, type PayloadAction } from '@reduxjs/toolkit';
import { type Row, withChanges } from './effects.ts';
import { emptyRecordsState, withKept, withRows } from './recordsState.ts';

const slice = createSlice({
  name: 'records',
  initialState: emptyRecordsState,
  reducers: {
    /** The person changed records; the outbox takes the same action. */
    recordsChanged: (state, { payload }: PayloadAction<{ changes: Change[] }>) =>
      withChanges(original(state)!, payload.changes),
    /** The server sent what is newer; rows that wait here in a newer form have been left out. */
    rowsArrived: (state, { payload }: PayloadAction<{ rows: ServerRow[]; revision: number; isLast: boolean }>) => ({
      ...withRows(original(state)!, payload.rows),
      revision: payload.revision,
      isLoaded: state.isLoaded || payload.isLast,
    }),
    /** What this device kept of the record stands until the server says what is newer. */
    recordsOpened: (state, { payload }: PayloadAction<Parameters<typeof withKept>[1]>) =>
      withKept(original(state)!, payload),
    /** Records are as the server holds them again: a change of them did not come to hold. */
    recordsPutBack: (state, { payload }: PayloadAction<{ rows: Row[] }>) => withRows(original(state)!, payload.rows),
    /** Another account, or none: everything of the one before goes. */
    recordsCleared: () => emptyRecordsState(),
  },
});

export const { recordsChanged, recordsOpened, rowsArrived, recordsPutBack, recordsCleared } = slice.actions;
export const recordsReducer = slice.reducer;
