import { type Promised, dayOf, formatDay, promisedRewards, withRewardEnjoyed } from '@wimbel/core';
import type { Change } from '@wimbel/contract';
import { useRouter } from 'expo-router';
import { useMemo, useState } from 'react';
import { Pressable, View } from 'react-native';
import { useStore } from 'react-redux';
import { counted, dateNear, monthAndYear } from '../../text/format.ts';
import { goalPath, habitPath } from '../../platform/paths.ts';
import { changeTo } from '../../store/makeChange.ts';
import { selectGoals, selectToday, selectTracks } from '../../store/selectors.ts';
import { type RootState, useAppSelector } from '../../store/store.ts';
import { useRecording } from '../../sync/recording.ts';
import { themed } from '../../theme/Theme.tsx';
import { SPACE } from '../../theme/space.ts';
import { Button } from '../../ui/Button.tsx';
import { Card } from '../../ui/Card.tsx';
import { CardHead } from '../../ui/CardHead.tsx';
import { useToast } from '../../ui/Toast.tsx';
import { Words } from '../../ui/Words.tsx';

const FEW = 8;

/** What was promised for months, finish lines, milestones and goals: earned and not enjoyed yet first. */
export function PromisedCard() {
  const styles = useStyles();
  const tracks = useAppSelector(selectTracks);
  const goals = useAppSelector(selectGoals);
  const milestones = useAppSelector((state) => state.records.milestones);
  const today = useAppSelector(selectToday);
  const [isWhole, setIsWhole] = useState(false);
  const promised = useMemo(
    () => promisedRewards(tracks, Object.values(milestones), goals, today).filter(({ state }) => state !== 'missed'),
    [tracks, milestones, goals, today],
  );
  if (promised.length === 0) return null;
  const waiting = promised.filter(({ state, enjoyedOn }) => state === 'earned' && enjoyedOn === null).length;
  const shown = isWhole ? promised : promised.slice(0, FEW);
  return (
    <Card style={styles.card} label="Promised">
      <CardHead title="Promised" aside={waiting === 0 ? '' : `${waiting} earned, not yet enjoyed`} />
      {shown.map((each) => (
        <PromisedLine key={`${each.kind} ${each.id} ${each.month ?? ''}`} promised={each} />
      ))}
      {promised.length > shown.length ? (
        <Button kind="bare" onPress={() => setIsWhole(true)} style={styles.more}>
          {`${promised.length - shown.length} more`}
        </Button>
      ) : null}
    </Card>
  );
}

/** What it was promised for, and where that is. */
function promisedTarget(state: RootState, { kind, id, month }: Promised): { name: string; path: string } {
  const { habits, milestones, goals } = state.records;
  switch (kind) {
    case 'month':
      return { name: `${habits[id]?.name ?? ''}, ${month === null ? '' : monthAndYear(month)}`, path: habitPath(id) };
    case 'finishLine':
      return { name: `${habits[id]?.name ?? ''}, all its days`, path: habitPath(id) };
    case 'milestone':
      return { name: milestones[id]?.title ?? '', path: goalPath(milestones[id]?.goalId ?? '') };
    case 'goal':
      return { name: goals[id]?.title ?? '', path: goalPath(id) };
  }
}

/** The record in which a promised reward is enjoyed on a day, or (null) not yet. */
function enjoyed({ records }: RootState, { kind, id, month }: Promised, day: string | null): Change | null {
  const [habit, milestone, goal] = [records.habits[id], records.milestones[id], records.goals[id]];
  const on = day === null ? {} : { enjoyedOn: day };
  if (kind === 'month' && habit && month !== null) return changeTo('habits', withRewardEnjoyed(habit, month, day));
  if (kind === 'finishLine' && habit?.finishLine) {
    const { enjoyedOn: _, ...line } = habit.finishLine;
    return changeTo('habits', { ...habit, finishLine: { ...line, ...on } });
  }
  if (kind === 'milestone' && milestone) {
    const { enjoyedOn: _, ...rest } = milestone;
    return changeTo('milestones', { ...rest, ...on });
  }
  if (kind === 'goal' && goal) {
    const { enjoyedOn: _, ...rest } = goal;
    return changeTo('goals', { ...rest, ...on });
  }
  return null;
}

function PromisedLine({ promised }: { promised: Promised }) {
  const styles = useStyles();
  const router = useRouter();
  const store = useStore<RootState>();
  const toast = useToast();
  const { change } = useRecording();
  const today = useAppSelector(selectToday);
  const name = useAppSelector((state) => promisedTarget(state, promised).name);
  const path = useAppSelector((state) => promisedTarget(state, promised).path);
  const { reward, state, enjoyedOn, earnedOn, left } = promised;
  const told =
    state === 'open'
      ? left === null
        ? 'to be earned'
        : `${counted(left, 'day')} to go`
      : enjoyedOn !== null
        ? `enjoyed on ${dateNear(dayOf(enjoyedOn), today)}`
        : earnedOn === null
          ? 'earned'
          : `earned on ${dateNear(earnedOn, today)}`;
  const enjoy = (day: string | null): void => {
    const made = enjoyed(store.getState(), promised, day);
    if (made !== null) toast({ text: day === null ? 'Not enjoyed yet' : `${reward}: enjoyed`, onUndo: change(made) });
  };
  return (
    <View style={styles.line}>
      <Pressable
        role="link"
        aria-label={`${reward}, for ${name}: ${told}`}
        onPress={() => router.push(path)}
        style={styles.words}
      >
        <Words type="name">{reward}</Words>
        <Words type="quiet" tone={state === 'earned' && enjoyedOn === null ? 'brassText' : 'quiet'}>
          {`${name}: ${told}`}
        </Words>
      </Pressable>
      {state !== 'earned' ? null : enjoyedOn === null ? (
        <Button label={`${reward}: enjoyed today`} onPress={() => enjoy(formatDay(today))}>
          Enjoyed
        </Button>
      ) : (
        <Button kind="bare" label={`${reward}: not enjoyed yet`} onPress={() => enjoy(null)}>
          Not yet
        </Button>
      )}
    </View>
  );
}

const useStyles = themed(() => ({
  card: { gap: SPACE.s },
  line: { flexDirection: 'row', alignItems: 'center', gap: SPACE.s, minHeight: 48 },
  words: { flex: 1, minWidth: 0, gap: 2 },
  more: { alignSelf: 'flex-start', marginLeft: -SPACE.s },
}));
