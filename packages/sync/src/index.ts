export { ApiError, type ApiFault } from './apiError.ts';
export {
  type ChangeEffect,
  type Row,
  effectsByChange,
  effectsOf,
  effectsOfChanges,
  placeOf,
  recordAt,
  withChanges,
} from './effects.ts';
export {
  NO_PENDING,
  type PendingChanges,
  allPending,
  firstPending,
  mapPending,
  pendingOf,
  withPending,
  withoutPending,
} from './pendingChanges.ts';
export type {
  HeldRow,
  KeptRecord,
  OutboxStore,
  RecordStore,
  Refusal,
  SyncApi,
  SyncClock,
  SyncEvent,
  SyncPorts,
  SyncState,
  TabChannel,
  TabMessage,
} from './ports.ts';
export { type RecordsState, emptyRecordsState, withKept, withRows } from './recordsState.ts';
export { type Sync, startSync } from './sync.ts';
