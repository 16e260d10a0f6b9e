import { type Settings } from '@wimbel/core';
import { useRecording } from '../../sync/recording.ts';
import { changeTo } from '../../store/makeChange.ts';
import { selectSettings } from '../../store/selectors.ts';
import { useAppSelector } from '../../store/store.ts';

export function useSetting(): [Settings, (change: Partial<Settings>) => void] {
  const settings = useAppSelector(selectSettings);
  const { change } = useRecording();
  return [settings, (next) => change(changeTo('settings', { ...settings, ...next }))];
}
