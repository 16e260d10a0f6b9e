import type { Change, Collection, RecordOf } from '@wimbel/contract';
import { keyOf } from '@wimbel/contract';
import { dayOf } from '@wimbel/core';
import { render } from '@testing-library/react';
import { Provider } from 'react-redux';
import { dayTurned } from '../store/clockSlice.ts';
import { recordsChanged, rowsArrived } from '../store/recordsSlice.ts';
import { type Store, createStore } from '../store/store.ts';
import { type Recording, RecordingContext } from '../sync/recording.ts';
import { ThemeProvider } from '../theme/Theme.tsx';
import { ToastProvider } from '../ui/Toast.tsx';

type Rows = { [C in Collection]?: RecordOf<C>[] };

/**
 * Shows something with a store that holds some records on Tuesday 24 November 2026. What is changed is made in the store,
 * as the app does, and listed; nothing is sent.
 */
export function withRecords(node: React.ReactNode, rows: Rows) {
  const store: Store = createStore();
  store.dispatch(dayTurned(dayOf('2026-11-24')));
  const all = Object.entries(rows).flatMap(([collection, records]) =>
    records.map((record) => ({
      collection: collection as Collection,
      key: keyOf(collection as Collection, record),
      record: record as never,
      revision: 1,
      madeAt: '2026-11-24T08:00:00Z',
      changeId: 'c',
    })),
  );
  store.dispatch(rowsArrived({ rows: all, revision: 1, isLast: true }));
  const changes: Change[] = [];
  const dismissed: string[] = [];
  const recording: Recording = {
    change: (...made) => {
      changes.push(...made);
      store.dispatch(recordsChanged({ changes: made }));
      return () => undefined;
    },
    begin: () => ({
      take: (made) => void recording.change(...made),
      putBack: () => undefined,
    }),
    takeBack: () => false,
    dismissRefusal: (id) => void dismissed.push(id),
  };
  const view = render(
    <Provider store={store}>
      <RecordingContext.Provider value={recording}>
        <ThemeProvider>
          <ToastProvider>{node}</ToastProvider>
        </ThemeProvider>
      </RecordingContext.Provider>
    </Provider>,
  );
  return { ...view, store, changes, dismissed };
}
