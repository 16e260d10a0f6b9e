import type { SyncEvent, SyncState } from '@wimbel/sync';
import { accountElsewhere, signedOut } from '../store/accountSlice.ts';
import {
  changesAcknowledged,
  changesRefused,
  changesRestamped,
  deviceKept,
  outboxRestored,
  recordKept,
  serverMissed,
  serverReached,
} from '../store/outboxSlice.ts';
import {
  recordsChanged,
  recordsCleared,
  recordsOpened,
  recordsRolledBack,
  rowsArrived,
} from '../store/recordsSlice.ts';
import type { Store } from '../store/store.ts';

type EventOf<K extends SyncEvent['kind']> = Extract<SyncEvent, { kind: K }>;

/** The Redux action of each event of the sync engine. */
const ACTIONS: { [K in SyncEvent['kind']]: (event: EventOf<K>) => Parameters<Store['dispatch']>[0] } = {
  changed: ({ changes, rows }) => recordsChanged({ changes, rows }),
  arrived: ({ rows, revision, isLast }) => rowsArrived({ rows, revision, isLast }),
  opened: ({ record }) => recordsOpened(record),
  rolledBack: ({ rows }) => recordsRolledBack({ rows }),
  cleared: () => recordsCleared(),
  restored: ({ waiting, refused }) => outboxRestored({ waiting, refused }),
  acknowledged: ({ ids }) => changesAcknowledged({ ids }),
  refused: ({ refusals }) => changesRefused({ refusals }),
  restamped: ({ changes }) => changesRestamped({ changes }),
  reached: () => serverReached(),
  missed: () => serverMissed(),
  outboxKept: ({ isKept }) => deviceKept(isKept),
  recordKept: ({ isKept }) => recordKept(isKept),
  signedOut: () => signedOut(),
  otherAccount: () => accountElsewhere(),
};

const actionOf = <K extends SyncEvent['kind']>(event: EventOf<K>) => ACTIONS[event.kind as K](event);

/** The Redux store as the state of the sync engine. */
export const syncStateOf = (store: Store): SyncState => ({
  records: () => store.getState().records,
  pending: () => store.getState().outbox.waiting,
  apply: (event) => void store.dispatch(actionOf(event)),
});
