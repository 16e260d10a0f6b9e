import type { Change } from '@wimbel/contract';
import type { Api } from '../shared/api.ts';
import type { Store } from '../store/store.ts';
import type { OutboxStore } from './outboxStore.ts';
import { type Outstanding, createOutstanding } from './outstanding.ts';

/** What sending, fetching and restoring share while an account is open on this page. */
export type Session = {
  store: Store;
  api: Api;
  outbox: OutboxStore;
  accountId: string;
  outstanding: Outstanding;
  isStopped: boolean;
  /** Keeps something on the device after what is being kept already; true once it is. */
  keep: (work: () => Promise<unknown>) => Promise<boolean>;
  /** Settles once all that is being kept is. */
  settled: () => Promise<unknown>;
  /** Changes that the server has not answered. */
  waiting: () => Change[];
};

export function createSession(deps: { store: Store; api: Api; outbox: OutboxStore; accountId: string }): Session {
  let keeping: Promise<unknown> = Promise.resolve();
  return {
    ...deps,
    outstanding: createOutstanding(),
    isStopped: false,
    keep(work) {
      // What IndexedDB would not keep (a private window, a full disk) still goes out from memory.
      const done = keeping.then(work).then(
        () => true,
        () => false,
      );
      keeping = done;
      return done;
    },
    settled: () => keeping,
    waiting: () => deps.store.getState().outbox.waiting,
  };
}
