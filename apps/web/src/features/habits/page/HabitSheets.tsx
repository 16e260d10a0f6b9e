import { type Habit, type Pause, type Track, parseDay, eachEntry } from '@wimbel/core';
import X from 'lucide-react-native/icons/x';
import { useState } from 'react';
import { View } from 'react-native';
import { newId } from '../../../store/makeChange.ts';
import { useAppSelector } from '../../../store/store.ts';
import { editable } from '../../../text/amounts.ts';
import { counted } from '../../../text/format.ts';
import { SPACE } from '../../../theme/space.ts';
import { Button } from '../../../ui/Button.tsx';
import { Field } from '../../../ui/Field.tsx';
import { IconButton } from '../../../ui/IconButton.tsx';
import { Words } from '../../../ui/Words.tsx';
import { SheetForm } from './SheetForm.tsx';
import { typedDays, withoutBlank } from '../form/habitFields.ts';
import { useHabitEdit } from './useHabitEdit.ts';
import { selectEntries } from '../../../store/selectors.ts';

/** How many done days in all make the habit done, and what they earn. */
export function FinishLineSheet({ habit, onClose }: { habit: Habit; onClose: () => void }) {
  const edit = useHabitEdit();
  const [days, setDays] = useState(habit.finishLine ? editable(habit.finishLine.days) : '');
  const [reward, setReward] = useState(habit.finishLine?.reward ?? '');
  const [fault, setFault] = useState<string | null>(null);
  const typed = typedDays(days, 1);
  const keep = (next: Habit, text: string): void => {
    const wrong = edit(next, text);
    setFault(wrong);
    if (wrong === null) onClose();
  };
  const { finishLine: before, ...without } = habit;
  const save = (): void => {
    if (typed.fault) return;
    if (typed.value === undefined) setFault('Write how many days in all');
    else
      keep(
        { ...habit, finishLine: withoutBlank({ days: typed.value, reward: reward.trim() }) },
        `The finish line is at ${counted(typed.value, 'day')}`,
      );
  };
  return (
    <SheetForm
      title="Finish line"
      onSave={save}
      onClose={onClose}
      fault={fault}
      more={before ? <Button onPress={() => keep(without, 'The finish line is gone')}>Take it away</Button> : null}
    >
      <Field
        label="Done days in all"
        value={days}
        onChangeText={setDays}
        inputMode="numeric"
        placeholder="40"
        hint="When they are reached you are told once, and asked whether the habit ends."
        error={typed.fault}
      />
      <Field label="Reward" value={reward} onChangeText={setReward} maxLength={200} placeholder="A new bow" />
    </SheetForm>
  );
}

/** A stretch of days in which nothing is asked. `at` is the pause's place, or null for a new one. */
export function PauseSheet({ track, at, onClose }: { track: Track; at: number | null; onClose: () => void }) {
  const { habit } = track;
  const edit = useHabitEdit();
  const pauses = habit.pauses ?? [];
  const before = at === null ? undefined : pauses[at];
  const [pause, setPause] = useState<Pause>(before ?? { from: '', to: '' });
  const [fault, setFault] = useState<string | null>(null);
  const put = (list: Pause[], text: string): void => {
    const { pauses: _, ...without } = habit;
    const wrong = edit(list.length > 0 ? { ...habit, pauses: list } : without, text);
    setFault(wrong);
    if (wrong === null) onClose();
  };
  const others = pauses.filter((_, index) => index !== at);
  const save = (): void => {
    if (parseDay(pause.from) === null || parseDay(pause.to) === null) setFault('Choose the first and the last day');
    else if (pause.to < pause.from) setFault('The last day is before the first');
    else
      put(
        [...others, withoutBlank({ ...pause, why: pause.why?.trim() ?? '' })].sort((a, b) =>
          a.from < b.from ? -1 : 1,
        ),
        'In the pause nothing is due',
      );
  };
  return (
    <SheetForm
      title={before ? 'Pause' : 'A new pause'}
      onSave={save}
      onClose={onClose}
      fault={fault}
      more={before ? <Button onPress={() => put(others, 'The pause is gone')}>Take it away</Button> : null}
    >
      <Field label="First day" value={pause.from} onChangeText={(from) => setPause({ ...pause, from })} isDate />
      <Field label="Last day" value={pause.to} onChangeText={(to) => setPause({ ...pause, to })} isDate />
      <Field
        label="Why"
        value={pause.why ?? ''}
        onChangeText={(why) => setPause({ ...pause, why })}
        maxLength={200}
        placeholder="Holiday on the island"
      />
    </SheetForm>
  );
}

type Variant = NonNullable<Habit['variants']>[number];

/** The ways of doing a habit. One that days are recorded with can be renamed, but not taken away. */
export function VariantsSheet({ habit, onClose }: { habit: Habit; onClose: () => void }) {
  const edit = useHabitEdit();
  const entries = useAppSelector((state) => selectEntries(state, habit.id));
  const used = new Set([...eachEntry(entries)].flatMap((entry) => (entry.parts ?? []).map((part) => part.variantId)));
  const [list, setList] = useState<Variant[]>(() =>
    habit.variants?.length ? habit.variants : [{ id: newId(), name: '' }],
  );
  const [fault, setFault] = useState<string | null>(null);
  const set = (id: string, change: Partial<Variant>): void =>
    setList(list.map((each) => (each.id === id ? { ...each, ...change } : each)));
  const save = (): void => {
    const kept = list
      .map((each) => withoutBlank({ ...each, name: each.name.trim(), group: each.group?.trim() ?? '' }))
      .filter((each) => (each.name ?? '') !== '' || used.has(each.id));
    if (kept.some((each) => !each.name)) {
      setFault('A way that days are recorded with needs a name');
      return;
    }
    const { variants: _, ...without } = habit;
    const wrong = edit(
      kept.length > 0 ? { ...habit, variants: kept } : without,
      `The ways of ${habit.name} are changed`,
    );
    setFault(wrong);
    if (wrong === null) onClose();
  };
  return (
    <SheetForm title="Ways of doing it" onSave={save} onClose={onClose} fault={fault}>
      <Words type="quiet" tone="quiet">
        Exercises, pieces, routes: checking off asks which it was. Those with the same group stand together.
      </Words>
      {list.map((each, index) => (
        <View key={each.id} style={{ flexDirection: 'row', gap: SPACE.s, alignItems: 'flex-start' }}>
          <View style={{ flex: 3, minWidth: 0 }}>
            <Field
              label={`Way ${index + 1}`}
              value={each.name}
              onChangeText={(name) => set(each.id, { name })}
              maxLength={80}
            />
          </View>
          <View style={{ flex: 2, minWidth: 0 }}>
            <Field
              label={`Group of way ${index + 1}`}
              value={each.group ?? ''}
              onChangeText={(group) => set(each.id, { group })}
              maxLength={80}
            />
          </View>
          <View style={{ paddingTop: 22 }}>
            <IconButton
              icon={X}
              label={used.has(each.id) ? `${each.name} is in use` : `Take away way ${index + 1}`}
              isDisabled={used.has(each.id)}
              onPress={() => setList(list.filter((other) => other.id !== each.id))}
            />
          </View>
        </View>
      ))}
      <View style={{ flexDirection: 'row' }}>
        <Button onPress={() => setList([...list, { id: newId(), name: '' }])}>Add a way</Button>
      </View>
    </SheetForm>
  );
}
