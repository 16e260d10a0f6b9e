import { act, render, screen } from '@testing-library/react';
import { useLayoutEffect } from 'react';
import { Provider } from 'react-redux';
import { aHabit } from '../testing/goalSamples.ts';
import { recordsChanged } from './recordsSlice.ts';
import { changeTo } from './makeChange.ts';
import { type RootState, type Store, createStore, useAppSelector, useDeferredSelector } from './store.ts';

const nameOf = (state: RootState): string => state.records.habits['h']?.name ?? 'nothing';
const noteOf = (state: RootState): string => state.records.habits['h']?.note ?? 'no note';

function Shown({ asks }: { asks: (state: RootState) => string }) {
  return <p>{`at once: ${useAppSelector(asks)}, soon: ${useDeferredSelector(asks)}`}</p>;
}

const paint = (): Promise<void> => act(() => new Promise((resolve) => setTimeout(resolve, 60)));
const rename = (store: Store, name: string, note?: string): void =>
  act(() => {
    const record = note === undefined ? aHabit('h', { name }) : aHabit('h', { name, note });
    store.dispatch(recordsChanged({ changes: [changeTo('habits', record)] }));
  });

it('shows what changed once it has been painted, and nothing in between of several changes', async () => {
  const store = createStore();
  render(
    <Provider store={store}>
      <Shown asks={nameOf} />
    </Provider>,
  );
  await paint();
  rename(store, 'Scales');
  expect(screen.getByText('at once: Scales, soon: nothing')).toBeTruthy();
  rename(store, 'Cold swim');
  expect(screen.getByText('at once: Cold swim, soon: nothing')).toBeTruthy();
  await paint();
  expect(screen.getByText('at once: Cold swim, soon: Cold swim')).toBeTruthy();
});

it('shows what changed after it was drawn and before it listened', async () => {
  const store = createStore();
  function Early() {
    useLayoutEffect(() => {
      store.dispatch(recordsChanged({ changes: [changeTo('habits', aHabit('h', { name: 'Scales' }))] }));
    }, []);
    return null;
  }
  render(
    <Provider store={store}>
      <Shown asks={nameOf} />
      <Early />
    </Provider>,
  );
  await paint();
  expect(screen.getByText('at once: Scales, soon: Scales')).toBeTruthy();
});

it('shows at once what else is asked for', async () => {
  const store = createStore();
  const shown = render(
    <Provider store={store}>
      <Shown asks={nameOf} />
    </Provider>,
  );
  rename(store, 'Scales', 'slowly');
  await paint();
  expect(screen.getByText('at once: Scales, soon: Scales')).toBeTruthy();
  shown.rerender(
    <Provider store={store}>
      <Shown asks={noteOf} />
    </Provider>,
  );
  expect(screen.getByText('at once: slowly, soon: slowly')).toBeTruthy();
  rename(store, 'Scales', 'quickly');
  await paint();
  expect(screen.getByText('at once: quickly, soon: quickly')).toBeTruthy();
});
