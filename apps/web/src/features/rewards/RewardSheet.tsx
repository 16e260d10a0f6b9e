import { type Reward, formatDay, parseDay, compareByOrder } from '@wimbel/core';
import { useState } from 'react';
import { View } from 'react-native';
import { useClaim } from '../../components/rewards/useClaim.ts';
import { editable, parseTyped } from '../../text/amounts.ts';
import { counted } from '../../text/format.ts';
import { changeTo, newId, removalOf } from '../../store/makeChange.ts';
import { selectGoodDay, selectRewards } from '../../store/pipsSelectors.ts';
import { reordered } from '../../store/reorder.ts';
import { selectHabits, selectSettings, selectToday } from '../../store/selectors.ts';
import { useAppSelector } from '../../store/store.ts';
import { useRecording } from '../../sync/recording.ts';
import { SPACE } from '../../theme/space.ts';
import { Button } from '../../ui/Button.tsx';
import { Card } from '../../ui/Card.tsx';
import { Field, Labelled } from '../../ui/Field.tsx';
import { HABIT_ICONS, REWARD_ICONS } from '../../ui/habitIcons.ts';
import { IconGrid } from '../../ui/IconGrid.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { SortableList } from '../../ui/SortableList.tsx';
import { useToast } from '../../ui/Toast.tsx';
import { Words } from '../../ui/Words.tsx';
import { pipsNameOf, pipsWords } from '../../text/pipsText.ts';
import { rewardHints } from './hints.ts';

const LONGEST_TITLE = 200;
const ICONS = { ...REWARD_ICONS, ...HABIT_ICONS };

/** A reward: what it is, what it costs, its icon; claimed on another day, retired, deleted, put in another order. */
export function RewardSheet({ reward, order, onClose }: { reward: Reward | null; order: number; onClose: () => void }) {
  const { change } = useRecording();
  const toast = useToast();
  const settings = useAppSelector(selectSettings);
  const habits = useAppSelector(selectHabits);
  const goodDay = useAppSelector(selectGoodDay);
  const claims = useAppSelector(
    (state) => Object.values(state.records.claims).filter(({ rewardId }) => rewardId === reward?.id).length,
  );
  const [title, setTitle] = useState(reward?.title ?? '');
  const [cost, setCost] = useState(reward === null ? '' : editable(reward.cost));
  const [icon, setIcon] = useState(reward?.icon ?? '');
  const [faults, setFaults] = useState<{ title?: string; cost?: string }>({});
  const typed = parseTyped(cost);
  const hints = typed === null ? [] : rewardHints({ title, cost: typed }, { habits, goodDay, settings });
  const save = (): void => {
    const found = {
      ...(title.trim() === '' ? { title: 'Say what it is' } : {}),
      ...(typed === null || typed < 0 ? { cost: 'Write a number, such as 60' } : {}),
    };
    setFaults(found);
    if (Object.keys(found).length > 0 || typed === null) return;
    const next: Reward = {
      id: reward?.id ?? newId(),
      title: title.trim(),
      cost: typed,
      order: reward?.order ?? order,
      ...(icon === '' ? {} : { icon }),
      ...(reward?.retired ? { retired: true } : {}),
    };
    toast({
      text: reward ? `${next.title} is changed` : `${next.title} is added`,
      onUndo: change(changeTo('rewards', next)),
    });
    onClose();
  };
  return (
    <Sheet title={reward ? reward.title : 'A new reward'} onClose={onClose}>
      <Field
        label="What it is"
        value={title}
        onChangeText={setTitle}
        maxLength={LONGEST_TITLE}
        autoFocus={reward === null}
        error={faults.title}
      />
      <Field
        label="What it costs"
        value={cost}
        onChangeText={setCost}
        inputMode="decimal"
        suffix={pipsNameOf(settings).many}
        error={faults.cost}
        {...(claims > 0 ? { hint: 'What was claimed keeps what it cost then.' } : {})}
      />
      {hints.map((hint) => (
        <Words key={hint} type="quiet" tone="brassText">
          {hint}
        </Words>
      ))}
      <Labelled label="Icon">
        <IconGrid value={icon} icons={ICONS} onChange={setIcon} />
      </Labelled>
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s }}>
        <Button kind="main" onPress={save}>
          {reward ? 'Save' : 'Add reward'}
        </Button>
        <Button kind="bare" onPress={onClose}>
          Cancel
        </Button>
      </View>
      {reward === null ? null : <MoreOf reward={reward} claims={claims} onClose={onClose} />}
    </Sheet>
  );
}

/** Further actions on an existing reward. */
function MoreOf({ reward, claims, onClose }: { reward: Reward; claims: number; onClose: () => void }) {
  const { change } = useRecording();
  const toast = useToast();
  const claim = useClaim();
  const today = useAppSelector(selectToday);
  const rewards = useAppSelector(selectRewards);
  const [on, setOn] = useState(formatDay(today));
  const inUse = Object.values(rewards)
    .filter(({ retired }) => retired !== true)
    .sort(compareByOrder);
  const day = parseDay(on);
  const retire = (): void => {
    toast({ text: `${reward.title} is put away`, onUndo: change(changeTo('rewards', { ...reward, retired: true })) });
    onClose();
  };
  const remove = (): void => {
    toast({ text: `${reward.title} is deleted`, onUndo: change(removalOf('rewards', reward.id)) });
    onClose();
  };
  return (
    <>
      <View style={{ flexDirection: 'row', alignItems: 'flex-end', gap: SPACE.s }}>
        <View style={{ flex: 1, minWidth: 0 }}>
          <Field label="Claim it on another day" value={on} onChangeText={setOn} isDate />
        </View>
        <Button
          isDisabled={day === null || day > today}
          label={`Claim ${reward.title} on that day`}
          onPress={() => {
            if (day !== null) claim(reward, day);
            onClose();
          }}
        >
          Claim
        </Button>
      </View>
      {inUse.length > 1 ? (
        <Labelled label="Order" hint="Drag by the handle, or move it with the arrow keys.">
          <SortableList
            label="Rewards in order"
            items={inUse.map(({ id, title }) => ({ id, name: title }))}
            onOrder={(ids) => {
              const moved = reordered(inUse, ids);
              if (moved.length > 0) change(...moved.map((each) => changeTo('rewards', each)));
            }}
          >
            {({ name }) => <Words>{name}</Words>}
          </SortableList>
        </Labelled>
      ) : null}
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s }}>
        <Button onPress={retire}>Put away</Button>
        {claims === 0 ? <Button onPress={remove}>Delete</Button> : null}
      </View>
      {claims > 0 ? (
        <Words type="quiet" tone="quiet">
          {`Claimed ${counted(claims, 'time')}: it can be put away, and what it cost stays.`}
        </Words>
      ) : null}
    </>
  );
}

/** Rewards that were put away, to be brought back. */
export function RetiredCard() {
  const { change } = useRecording();
  const toast = useToast();
  const settings = useAppSelector(selectSettings);
  const away = Object.values(useAppSelector(selectRewards)).filter(({ retired }) => retired === true);
  if (away.length === 0) return null;
  return (
    <Card style={{ gap: SPACE.s }} label="Put away">
      <Words type="card" heading={2}>
        Put away
      </Words>
      {away.map((reward) => (
        <View key={reward.id} style={{ flexDirection: 'row', alignItems: 'center', gap: SPACE.s }}>
          <Words style={{ flex: 1 }}>{`${reward.title}, ${pipsWords(settings, reward.cost)}`}</Words>
          <Button
            kind="bare"
            label={`Bring back ${reward.title}`}
            onPress={() => {
              const { retired: _, ...back } = reward;
              toast({ text: `${reward.title} is back`, onUndo: change(changeTo('rewards', back)) });
            }}
          >
            Bring back
          </Button>
        </View>
      ))}
    </Card>
  );
}
