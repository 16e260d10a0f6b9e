import type { Change, ServerRow } from '@wimbel/contract';
import { type UnknownAction, createAction } from '@reduxjs/toolkit';
import { type Row, withChanges, type RecordsState, emptyRecordsState, withKept, withRows } from '@wimbel/sync';

/** The person changed records; the outbox takes the same action. */
export const recordsChanged = createAction<{
  changes: Change[];
  /** Their effects; computed by the reducer where they are left out. */
  rows?: Row[];
}>('records/changed');
/** The server sent what is newer; rows that wait here in a newer form have been left out. */
export const rowsArrived = createAction<{ rows: ServerRow[]; revision: number; isLast: boolean }>('records/arrived');
/** What this device kept of the record stands until the server says what is newer. */
export const recordsOpened = createAction<Parameters<typeof withKept>[1]>('records/opened');
/** Records are as the server holds them again: a change of them did not come to hold. */
export const recordsRolledBack = createAction<{ rows: Row[] }>('records/putBack');
/** Another account, or none: everything of the one before goes. */
export const recordsCleared = createAction('records/cleared');

/**
 * The record as it is after an action. Made without drafts: ten years of a person hold a hundred thousand days, and a draft
 * would go through all of them to freeze them.
 */
export function recordsReducer(state: RecordsState = emptyRecordsState(), action: UnknownAction): RecordsState {
  if (recordsChanged.match(action)) {
    const { changes, rows } = action.payload;
    return rows === undefined ? withChanges(state, changes) : withRows(state, rows);
  }
  if (rowsArrived.match(action)) {
    const { rows, revision, isLast } = action.payload;
    return { ...withRows(state, rows), revision, isLoaded: state.isLoaded || isLast };
  }
  if (recordsOpened.match(action)) return withKept(state, action.payload);
  if (recordsRolledBack.match(action)) return withRows(state, action.payload.rows);
  return recordsCleared.match(action) ? emptyRecordsState() : state;
}
