import { type MonthReward, type Track, formatDay, monthRewards, withRewardEnjoyed } from '@wimbel/core';
import { useState } from 'react';
import { View } from 'react-native';
import { monthName } from '../../text/format.ts';
import { writeLocalSetting, readLocalSetting } from '../../platform/localSettings.ts';
import { changeTo } from '../../store/makeChange.ts';
import { selectToday, selectTracks } from '../../store/selectors.ts';
import { useAppSelector } from '../../store/store.ts';
import { useRecording } from '../../sync/recording.ts';
import { SPACE } from '../../theme/space.ts';
import { Button } from '../../ui/Button.tsx';
import { Shavings } from '../../ui/Shavings.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { Words } from '../../ui/Words.tsx';

type Earned = { habitId: string; reward: MonthReward };

const announcedKey = ({ habitId, reward }: Earned): string => `reward.${habitId}.${reward.month}`;

const earnedOf = (track: Track): MonthReward[] => monthRewards(track).filter(({ state }) => state === 'earned');

/** Rewards that a habit has earned now and had not before; what was set since is no deed. */
function newlyEarned(before: Track | undefined, now: Track): MonthReward[] {
  if (before === now || before === undefined || before.habit !== now.habit) return [];
  const known = new Set(earnedOf(before).map(({ month }) => month));
  return earnedOf(now).filter(({ month }) => !known.has(month));
}

/** Tells of the reward of a month once it is earned, also of a month that is past and filled in later. */
export function MonthRewardWatch() {
  const tracks = useAppSelector(selectTracks);
  const isLoaded = useAppSelector((state) => state.records.isLoaded);
  const [seen, setSeen] = useState({ tracks, isLoaded });
  const [waiting, setWaiting] = useState<readonly Earned[]>([]);
  if (seen.tracks !== tracks || seen.isLoaded !== isLoaded) {
    setSeen({ tracks, isLoaded });
    // What was earned before this page was opened is not earnedNow.
    const before = new Map(seen.isLoaded ? seen.tracks.map((track) => [track.habit.id, track]) : []);
    const earnedNow = tracks
      .flatMap((track) =>
        newlyEarned(before.get(track.habit.id), track).map((reward) => ({ habitId: track.habit.id, reward })),
      )
      .filter((each) => readLocalSetting(announcedKey(each)) === null);
    if (earnedNow.length > 0) setWaiting([...waiting, ...earnedNow]);
  }
  const [earned] = waiting;
  if (earned === undefined) return null;
  return (
    <EarnedSheet
      key={`${earned.habitId} ${earned.reward.month}`}
      earned={earned}
      onClose={() => {
        writeLocalSetting(announcedKey(earned), 'told');
        setWaiting(waiting.slice(1));
      }}
    />
  );
}

function EarnedSheet({ earned: { habitId, reward }, onClose }: { earned: Earned; onClose: () => void }) {
  const habit = useAppSelector((state) => state.records.habits[habitId]);
  const today = useAppSelector(selectToday);
  const { change } = useRecording();
  if (habit === undefined) return null;
  return (
    <Sheet title={`${habit.name}: ${monthName(reward.month)} reached`} onClose={onClose}>
      <Shavings />
      <Words tone="brassText">Your reward: {reward.reward}</Words>
      <Words tone="quiet">You find it on the habit’s page, with those of other months.</Words>
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s }}>
        <Button kind="main" onPress={onClose}>
          Go on
        </Button>
        <Button
          onPress={() => {
            change(changeTo('habits', withRewardEnjoyed(habit, reward.month, formatDay(today))));
            onClose();
          }}
        >
          Enjoyed today
        </Button>
      </View>
    </Sheet>
  );
}
