import { type Habit, finishedOn } from '@wimbel/core';
import { useMemo, useState } from 'react';
import { View } from 'react-native';
import { counted } from '../../text/format.ts';
import { writeLocalSetting, readLocalSetting } from '../../platform/localSettings.ts';
import { SPACE } from '../../theme/space.ts';
import { Button } from '../../ui/Button.tsx';
import { Shavings } from '../../ui/Shavings.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { Words } from '../../ui/Words.tsx';
import { selectToday, selectTracks } from '../../store/selectors.ts';
import { useAppSelector } from '../../store/store.ts';
import { useHabitActions } from './useHabitActions.ts';

const announcedKey = (habit: Habit): string => `finish.${habit.id}.${habit.finishLine?.days ?? 0}`;

/** Celebrates a finish line on the day it is reached, once, and asks whether the habit ends with it. */
export function FinishLineWatch() {
  const tracks = useAppSelector(selectTracks);
  const today = useAppSelector(selectToday);
  const actions = useHabitActions();
  const [announced, setAnnounced] = useState<string[]>([]);
  const reached = useMemo(
    () =>
      tracks.find(
        (track) =>
          track.habit.finishLine !== undefined &&
          track.habit.endsOn === undefined &&
          finishedOn(track) === today &&
          !announced.includes(track.habit.id) &&
          readLocalSetting(announcedKey(track.habit)) === null,
      )?.habit ?? null,
    [tracks, today, announced],
  );
  if (reached === null) return null;
  const close = (): void => {
    writeLocalSetting(announcedKey(reached), 'told');
    setAnnounced([...announced, reached.id]);
  };
  const { days, reward } = reached.finishLine!;
  return (
    <Sheet title={`${reached.name}: ${counted(days, 'day')} done`} onClose={close}>
      <Shavings />
      <Words>That was the finish line. The day it was reached stays on the habit’s page.</Words>
      {reward ? <Words tone="brassText">Your reward: {reward}</Words> : null}
      <Words tone="quiet">Does the habit end here, or go on?</Words>
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s }}>
        <Button kind="main" onPress={close}>
          Go on with it
        </Button>
        <Button
          onPress={() => {
            close();
            actions.end(reached);
          }}
        >
          End it here
        </Button>
      </View>
    </Sheet>
  );
}
