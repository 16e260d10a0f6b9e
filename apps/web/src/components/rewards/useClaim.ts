import { type Claim, type PlainDay, type Reward, formatDay } from '@wimbel/core';
import { useStore } from 'react-redux';
import { changeTo, newId } from '../../store/makeChange.ts';
import { selectPipsBalance } from '../../store/pipsSelectors.ts';
import { selectSettings, selectToday } from '../../store/selectors.ts';
import type { RootState } from '../../store/store.ts';
import { useRecording } from '../../sync/recording.ts';
import { useToast } from '../../ui/Toast.tsx';
import { pipsWords } from '../../text/pipsText.ts';

/** Claims a reward at what it costs now, on today or an earlier day, and says what is left, with undo. */
export function useClaim(): (reward: Reward, day?: PlainDay) => void {
  const store = useStore<RootState>();
  const { change } = useRecording();
  const toast = useToast();
  return (reward, day = selectToday(store.getState())) => {
    const claim: Claim = { id: newId(), rewardId: reward.id, day: formatDay(day), cost: reward.cost };
    const onUndo = change(changeTo('claims', claim));
    const state = store.getState();
    const balance = selectPipsBalance(state);
    const balanceText =
      balance < 0
        ? `${pipsWords(selectSettings(state), -balance)} below zero now`
        : `${pipsWords(selectSettings(state), balance)} left`;
    toast({ text: `${reward.title}: enjoy it. ${balanceText}.`, onUndo });
  };
}
