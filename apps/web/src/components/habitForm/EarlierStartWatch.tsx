import { type PlainDay, formatDay } from '@wimbel/core';
import { useEffect, useRef } from 'react';
import { dateNear } from '../../text/format.ts';
import { selectToday, selectTracks } from '../../store/selectors.ts';
import { useAppSelector } from '../../store/store.ts';
import { useRecording } from '../../sync/recording.ts';
import { useToast } from '../../ui/Toast.tsx';

/** Says once that a habit starts earlier, where a day before its first one was recorded. */
export function EarlierStartWatch() {
  const tracks = useAppSelector(selectTracks);
  const today = useAppSelector(selectToday);
  const isWaiting = useAppSelector((state) => state.outbox.waiting.count > 0);
  const { takeBack } = useRecording();
  const toast = useToast();
  const before = useRef(new Map<string, { startsOn: string; first: PlainDay }>());
  useEffect(() => {
    const known = before.current;
    before.current = new Map(tracks.map(({ habit, first }) => [habit.id, { startsOn: habit.startsOn, first }]));
    const earlier = tracks.filter(({ habit, first }) => {
      const was = known.get(habit.id);
      return (
        was !== undefined && was.startsOn === habit.startsOn && first < was.first && formatDay(first) < habit.startsOn
      );
    });
    // What comes from another device needs no word here.
    if (earlier.length === 0 || !isWaiting) return;
    const [only] = earlier;
    const text =
      earlier.length === 1
        ? `${only!.habit.name} now starts on ${dateNear(only!.first, today)}`
        : `${earlier.length} habits now start earlier`;
    toast({ text, onUndo: takeBack, isAside: true });
  }, [tracks, today, isWaiting, toast, takeBack]);
  return null;
}
