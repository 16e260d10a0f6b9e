import { formatDay, parseDay } from '@wimbel/core';
import { useState } from 'react';
import { View } from 'react-native';
import { editable, parseTyped } from '../../text/amounts.ts';
import { changeTo, removalOf } from '../../store/makeChange.ts';
import { selectSettings, selectToday } from '../../store/selectors.ts';
import { useAppSelector } from '../../store/store.ts';
import { useRecording } from '../../sync/recording.ts';
import { SPACE } from '../../theme/space.ts';
import { Button } from '../../ui/Button.tsx';
import { Field } from '../../ui/Field.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { useToast } from '../../ui/Toast.tsx';
import { pipsNameOf } from '../../text/pipsText.ts';

/** A claim that was made: its day and what it cost then are corrected, or it is taken away. */
export function ClaimSheet({ claimId, onClose }: { claimId: string; onClose: () => void }) {
  const { change } = useRecording();
  const toast = useToast();
  const today = useAppSelector(selectToday);
  const settings = useAppSelector(selectSettings);
  const claim = useAppSelector((state) => state.records.claims[claimId]);
  const title = useAppSelector((state) => state.records.rewards[claim?.rewardId ?? '']?.title ?? '');
  const [day, setDay] = useState(claim?.day ?? '');
  const [cost, setCost] = useState(claim === undefined ? '' : editable(claim.cost));
  const [faults, setFaults] = useState<{ day?: string; cost?: string }>({});
  if (claim === undefined) return null;
  const save = (): void => {
    const [on, typed] = [parseDay(day), parseTyped(cost)];
    const found = {
      ...(on === null || on > today ? { day: 'Choose today or an earlier day' } : {}),
      ...(typed === null || typed < 0 ? { cost: 'Write a number, such as 60' } : {}),
    };
    setFaults(found);
    if (on === null || typed === null || Object.keys(found).length > 0) return;
    toast({
      text: 'The claim is changed',
      onUndo: change(changeTo('claims', { ...claim, day: formatDay(on), cost: typed })),
    });
    onClose();
  };
  return (
    <Sheet title={title} onClose={onClose}>
      <Field label="Claimed on" value={day} onChangeText={setDay} isDate error={faults.day} />
      <Field
        label="What it cost then"
        value={cost}
        onChangeText={setCost}
        inputMode="decimal"
        suffix={pipsNameOf(settings).many}
        error={faults.cost}
      />
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s }}>
        <Button kind="main" onPress={save}>
          Save
        </Button>
        <Button kind="bare" onPress={onClose}>
          Cancel
        </Button>
        <Button
          onPress={() => {
            toast({ text: 'The claim is taken away', onUndo: change(removalOf('claims', claim.id)) });
            onClose();
          }}
        >
          Take away
        </Button>
      </View>
    </Sheet>
  );
}
