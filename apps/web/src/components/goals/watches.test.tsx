import { act, fireEvent, screen } from '@testing-library/react';
import { type Entry, type Habit, dayOf } from '@wimbel/core';
import { changesAcknowledged } from '../../store/outboxSlice.ts';
import { entryChange } from '../../store/makeChange.ts';
import { recordsChanged, rowsArrived } from '../../store/recordsSlice.ts';
import { aHabit } from '../../testing/goalSamples.ts';
import { withRecords } from '../../testing/withRecords.tsx';
import { EarlierStartWatch } from '../habitForm/EarlierStartWatch.tsx';
import { MonthRewardWatch } from '../rewards/MonthRewardWatch.tsx';

const done = (day: string): Entry => ({ habitId: 'scales', day, mark: 'done' });
const scales = (more: Partial<Habit> = {}): Habit => ({
  ...aHabit('scales', { name: 'Scales', startsOn: '2026-10-01' }),
  terms: [{ from: '2026-10-01', schedule: { kind: 'daily' } }],
  ...more,
});

beforeEach(() => localStorage.clear());

describe('the reward of a month', () => {
  const rewarded = scales({ monthTargets: { '2026-11': { days: 2, reward: 'An evening at the harbour' } } });

  it('is told once it is earned, with a way to say that it was enjoyed', () => {
    const { store, changes } = withRecords(<MonthRewardWatch />, { habits: [rewarded], entries: [done('2026-11-20')] });
    expect(screen.queryByRole('dialog')).toBeNull();
    act(() => void store.dispatch(recordsChanged({ changes: [entryChange(done('2026-11-24'))] })));
    expect(screen.getByRole('dialog', { name: 'Scales: November reached' }).textContent).toContain(
      'Your reward: An evening at the harbour',
    );
    fireEvent.click(screen.getByRole('button', { name: 'Enjoyed today' }));
    expect(screen.queryByRole('dialog')).toBeNull();
    expect((changes[0]!.record as Habit).monthTargets!['2026-11']).toMatchObject({ enjoyedOn: '2026-11-24' });
  });

  it('is no news where it was earned before, nor a second time', () => {
    const { store } = withRecords(<MonthRewardWatch />, {
      habits: [rewarded],
      entries: [done('2026-11-20'), done('2026-11-21')],
    });
    const change = (entry: Entry): void =>
      act(() => void store.dispatch(recordsChanged({ changes: [entryChange(entry)] })));
    change(done('2026-11-24'));
    expect(screen.queryByRole('dialog')).toBeNull();
    change({ habitId: 'scales', day: '2026-11-24' });
    change({ habitId: 'scales', day: '2026-11-21' });
    change(done('2026-11-21'));
    fireEvent.click(screen.getByRole('button', { name: 'Go on' }));
    change({ habitId: 'scales', day: '2026-11-21' });
    change(done('2026-11-21'));
    expect(screen.queryByRole('dialog')).toBeNull();
  });
});

describe('a record before a habit’s first day', () => {
  const begun = scales({ startsOn: '2026-11-10' });

  it('says once that the habit starts earlier', () => {
    const { store } = withRecords(<EarlierStartWatch />, { habits: [begun] });
    const change = entryChange(done('2026-11-02'));
    act(() => void store.dispatch(recordsChanged({ changes: [change] })));
    expect(screen.getByRole('status').textContent).toContain('Scales now starts on 2 November');
    act(() => void store.dispatch(changesAcknowledged({ ids: [change.id] })));
    act(() => void store.dispatch(recordsChanged({ changes: [entryChange(done('2026-11-05'))] })));
    expect(screen.getByRole('status').textContent).not.toContain('5 November');
  });

  it('says nothing where another device made it', () => {
    const { store } = withRecords(<EarlierStartWatch />, { habits: [begun] });
    const row = { collection: 'entries' as const, key: '2026-11-02 scales', record: done('2026-11-02') };
    const from = { revision: 2, madeAt: '2026-11-24T09:00:00Z', changeId: 'other' };
    act(() => void store.dispatch(rowsArrived({ rows: [{ ...row, ...from }], revision: 2, isLast: true })));
    expect(dayOf('2026-11-02')).toBeLessThan(dayOf(begun.startsOn));
    expect(screen.getByRole('status').textContent).toBe('');
  });
});
