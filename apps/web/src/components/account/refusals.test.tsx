import type { Change } from '@wimbel/contract';
import { act, fireEvent, screen } from '@testing-library/react';
import { changeTo, entryChange } from '../../store/makeChange.ts';
import { changesRefused, deviceKept, serverMissed } from '../../store/outboxSlice.ts';
import { recordsChanged } from '../../store/recordsSlice.ts';
import { aHabit } from '../../testing/goalSamples.ts';
import { withRecords } from '../../testing/withRecords.tsx';
import { RefusedChangeSheet } from './RefusedChangeSheet.tsx';
import { SyncStatus } from './SyncStatus.tsx';

const scales = aHabit('scales', { name: 'Scales' });
const entry = { habitId: 'scales', day: '2026-11-24', amount: 20, note: 'slow' };

describe('what the server would not take', () => {
  it('is told with how many there are, and what is wrong with the first', () => {
    const { store } = withRecords(<SyncStatus />, { habits: [scales] });
    const issues = [{ path: 'note', message: 'is longer than 20000 characters' }];
    act(() => void store.dispatch(changesRefused({ refusals: [{ change: entryChange(entry), issues }] })));
    expect(screen.getByRole('alert').textContent).toContain('One change could not be saved');
    expect(screen.getByRole('alert').textContent).toContain('Scales, Tue 24 Nov: The note is too long');
    act(() => void store.dispatch(changesRefused({ refusals: [{ change: entryChange(entry), issues }] })));
    expect(screen.getByRole('alert').textContent).toContain('2 changes could not be saved');
  });

  const mend = (change: Change, path: string, message: string) => {
    const onClose = jest.fn();
    const refusal = { change, issues: [{ path, message }] };
    return {
      onClose,
      ...withRecords(<RefusedChangeSheet refusal={refusal} onClose={onClose} />, { habits: [scales] }),
    };
  };

  it('is sent again with what was written, and only once it can be read', () => {
    const { changes, dismissed, onClose } = mend(entryChange(entry), 'amount', 'is above 10');
    fireEvent.change(screen.getByLabelText('Amount'), { target: { value: 'many' } });
    fireEvent.click(screen.getByRole('button', { name: 'Save again' }));
    expect(screen.getByText('Write a number, such as 12 or 7.5')).toBeTruthy();
    expect([changes.length, onClose.mock.calls.length]).toEqual([0, 0]);
    fireEvent.change(screen.getByLabelText('Amount'), { target: { value: '9' } });
    fireEvent.click(screen.getByRole('button', { name: 'Save again' }));
    expect(changes.map(({ record }) => record)).toEqual([{ ...entry, amount: 9 }]);
    expect(dismissed).toHaveLength(1);
    expect(onClose).toHaveBeenCalled();
  });

  it('goes without what was deleted, unless the person keeps it', () => {
    const change = changeTo('habits', { ...scales, areaId: 'gone' });
    const { changes } = mend(change, 'areaId', 'names "gone", which is not there');
    fireEvent.click(screen.getByRole('button', { name: 'Save again' }));
    expect(changes[0]!.record).toEqual(scales);
  });

  it('can be discarded', () => {
    const { changes, dismissed } = mend(entryChange(entry), 'habitId', 'names "scales", which is not there');
    fireEvent.click(screen.getByRole('button', { name: 'Discard change' }));
    expect([changes.length, dismissed.length]).toEqual([0, 1]);
  });
});

describe('what waits', () => {
  it('says how much waits without a connection, and where nothing is kept here', () => {
    const { store } = withRecords(<SyncStatus />, { habits: [scales] });
    act(() => {
      store.dispatch(recordsChanged({ changes: [entryChange(entry)] }));
      store.dispatch(serverMissed());
    });
    expect(screen.getAllByRole('status')[0]!.textContent).toBe('Offline: 1 change waiting to sync');
    act(() => void store.dispatch(deviceKept(false)));
    expect(screen.getByText(/1 change not saved yet, and this browser keeps nothing/)).toBeTruthy();
  });
});
