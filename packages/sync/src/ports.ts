import type {
  Change,
  ChangesAnswer,
  ChangesSince,
  Collection,
  Issue,
  Made,
  RecordOf,
  ServerRow,
} from '@wimbel/contract';
import type { EntryYears } from '@wimbel/core';
import type { Row } from './effects.ts';
import type { PendingChanges } from './pendingChanges.ts';
import type { RecordsState } from './recordsState.ts';

/** A rejected change, kept with its issues. */
export type Refusal = { change: Change; issues: Issue[] };

/** The outbox: pending and refused changes on the device, behind a write-ahead log. */
export type OutboxStore = {
  /** Appends to the write-ahead log, synchronously; false where it cannot. */
  append: (accountId: string, changes: readonly Change[]) => boolean;
  keep: (accountId: string, changes: readonly Change[]) => Promise<void>;
  /** Reads the outbox, including what only the write-ahead log holds. */
  read: (accountId: string) => Promise<{ waiting: Change[]; refused: Refusal[] }>;
  /** Accounts with stored changes. */
  accounts: () => Promise<string[]>;
  forget: (accountId: string, ids: readonly string[]) => Promise<void>;
  markRefused: (refusals: readonly Refusal[]) => Promise<void>;
  /** Replaces changes by id. */
  replace: (changes: readonly Change[]) => Promise<void>;
};

/** A record of the server with its origin. */
export type HeldRow = Pick<ServerRow, 'collection' | 'key' | 'record' | 'madeAt' | 'changeId' | 'revision'>;

/** A stored account: entries by habit and year, every other record by itself. */
export type KeptRecord = {
  revision: number;
  /** Its latest instant; new changes must be later. */
  latest: string | null;
  rows: { collection: Collection; key: string; record: RecordOf<Collection> }[];
  entries: Record<string, EntryYears>;
};

/** The device's copy of the server's records, from which the app opens. */
export type RecordStore = {
  /** Reads everything; null where nothing or only a part is stored, or some of it is damaged. */
  read: () => Promise<KeptRecord | null>;
  /** The stored revision; null where nothing is stored. */
  revision: () => Promise<number | null>;
  /** The origins of stored records. */
  madeOf: (places: readonly { collection: Collection; key: string }[]) => Promise<Map<string, Made>>;
  /**
   * Stores rows and the revision they lead to in one transaction. A stored later version (written by another tab) stays;
   * deletions are stored as such.
   */
  put: (rows: readonly HeldRow[], revision: number, isWhole: boolean) => Promise<void>;
  /** Deletes the stored account. */
  clear: () => Promise<void>;
};

/** The network. Calls reject with an `ApiError`. */
export type SyncApi = {
  sendChanges: (accountId: string, changes: readonly Change[], since: number) => Promise<ChangesAnswer>;
  changesSince: (accountId: string, revision: number) => Promise<ChangesSince>;
};

/** A hybrid clock: instants of new changes are later than all noted ones. */
export type SyncClock = {
  nextInstant: () => string;
  noteInstant: (instant: string) => void;
  /** Clears the noted instants when the account changes. */
  forgetInstants: () => void;
};

/** Cross-tab messages of one account: changes made in a tab, and their outcome. */
export type TabMessage =
  | { made: Change[] }
  /** Changes the server accepted, and those that are rolled back. */
  | { taken: string[]; undone: string[] }
  /** The revision of the account on the server, from the leader tab. */
  | { revision: number };

/** The channel between the tabs of a browser that have the same account open. */
export type TabChannel = { post: (message: TabMessage) => void; close: () => void };

/** What happened, for the app's state. */
export type SyncEvent =
  /** The person changed records; `rows` are the effects. */
  | { kind: 'changed'; changes: Change[]; rows: Row[] }
  /** The server sent newer rows; those hidden by later pending changes are left out. */
  | { kind: 'arrived'; rows: ServerRow[]; revision: number; isLast: boolean }
  /** The stored record was read. */
  | { kind: 'opened'; record: KeptRecord }
  /** Records show the server's version again. */
  | { kind: 'rolledBack'; rows: Row[] }
  /** The account was closed. */
  | { kind: 'cleared' }
  /** The outbox of an earlier visit was read. */
  | { kind: 'restored'; waiting: Change[]; refused: Refusal[] }
  | { kind: 'acknowledged'; ids: string[] }
  | { kind: 'refused'; refusals: Refusal[] }
  | { kind: 'restamped'; changes: Change[] }
  | { kind: 'reached' }
  | { kind: 'missed' }
  /** Whether pending changes, or the record, are stored on this device. */
  | { kind: 'outboxKept'; isKept: boolean }
  | { kind: 'recordKept'; isKept: boolean }
  | { kind: 'signedOut' }
  /** Another account is signed in by now. */
  | { kind: 'otherAccount' };

/** The app's state: what it shows, and where events go. Events are applied synchronously. */
export type SyncState = {
  records: () => RecordsState;
  pending: () => PendingChanges;
  apply: (event: SyncEvent) => void;
};

/** Everything the engine takes from its surroundings. */
export type SyncPorts = {
  state: SyncState;
  api: SyncApi;
  outbox: OutboxStore;
  record: RecordStore;
  clock: SyncClock;
  openTabChannel: (accountId: string, onMessage: (message: TabMessage) => void) => TabChannel;
  /** Runs `work` after a delay; returns the canceller. */
  setTimer: (work: () => void, delayMs: number) => () => void;
  /** Prepares to show a stored record, before it is applied; ends early where `isOver` returns true. */
  prepare: (record: KeptRecord, isOver: () => boolean) => Promise<void>;
  accountId: string;
};
