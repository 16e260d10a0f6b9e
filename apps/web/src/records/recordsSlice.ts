import { type Change, type Collection, type ServerRow, entryOfKey } from '@wimbel/contract';
import { DEFAULT_SETTINGS, type Entry, type Records, type Settings } from '@wimbel/core';
import { createSlice, type PayloadAction } from '@reduxjs/toolkit';

type ById<T> = Record<string, T>;
type Lists = { [C in Exclude<keyof Records, 'settings' | 'entries'>]: ById<Records[C][number]> };

/** A person's whole record, by collection and key; entries by habit and day. */
export type RecordsState = Lists & {
  settings: Settings;
  entries: ById<ById<Entry>>;
  /** Whether the first fetch from the server is in. */
  isLoaded: boolean;
  /** The server's revision that the store is up to. */
  revision: number;
};

export const emptyRecordsState = (): RecordsState => ({
  settings: DEFAULT_SETTINGS,
  areas: {},
  habits: {},
  entries: {},
  goals: {},
  keyResults: {},
  checkIns: {},
  steps: {},
  milestones: {},
  seasons: {},
  months: {},
  journal: {},
  prompts: {},
  reviews: {},
  habitNotes: {},
  rewards: {},
  claims: {},
  quotes: {},
  reminders: {},
  isLoaded: false,
  revision: 0,
});

function put(state: RecordsState, collection: Collection, key: string, record: unknown): void {
  if (collection === 'settings') {
    if (record !== null) state.settings = record as Settings;
    return;
  }
  if (collection === 'entries') {
    const { habitId, day } = entryOfKey(key);
    const days = (state.entries[habitId] ??= {});
    if (record === null) delete days[day];
    else days[day] = record as Entry;
    return;
  }
  const list = state[collection] as ById<unknown>;
  if (record === null) delete list[key];
  else list[key] = record;
}

const slice = createSlice({
  name: 'records',
  initialState: emptyRecordsState,
  reducers: {
    /** The person changed records; the outbox takes the same action. */
    recordsChanged(state, { payload }: PayloadAction<{ changes: Change[] }>) {
      for (const { collection, key, record } of payload.changes) put(state, collection, key, record);
    },
    /** The server sent what is newer; rows that wait here in a newer form have been left out. */
    rowsArrived(state, { payload }: PayloadAction<{ rows: ServerRow[]; revision: number; isLast: boolean }>) {
      for (const { collection, key, record } of payload.rows) put(state, collection, key, record);
      state.revision = payload.revision;
      if (payload.isLast) state.isLoaded = true;
    },
    /** Another account, or none: everything of the one before goes. */
    recordsCleared: () => emptyRecordsState(),
  },
});

export const { recordsChanged, rowsArrived, recordsCleared } = slice.actions;
export const recordsReducer = slice.reducer;
