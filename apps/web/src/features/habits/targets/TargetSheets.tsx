import {
  type Track,
  formatMonth,
  isTakenOver,
  monthOfDay,
  monthSpan,
  planOf,
  setTargetOf,
  withMonthTarget,
  withYearTarget,
  yearOfDay,
  yearTargetOf,
  rewardOfMonth,
} from '@wimbel/core';
import ChevronLeft from 'lucide-react-native/icons/chevron-left';
import ChevronRight from 'lucide-react-native/icons/chevron-right';
import { useState } from 'react';
import { View } from 'react-native';
import { editable } from '../../../text/amounts.ts';
import { monthAndYear } from '../../../text/format.ts';
import { Button } from '../../../ui/Button.tsx';
import { Field, Labelled } from '../../../ui/Field.tsx';
import { IconButton } from '../../../ui/IconButton.tsx';
import { Segments } from '../../../ui/Segments.tsx';
import { Words } from '../../../ui/Words.tsx';
import { SheetForm } from '../page/SheetForm.tsx';
import { typedAmount, typedDays, withoutBlank } from '../form/habitFields.ts';
import { useHabitEdit } from '../page/useHabitEdit.ts';

const text = (value: number | undefined | null): string =>
  value === undefined || value === null ? '' : editable(value);

/** Sets what a month asks, for it alone or from it on; empty fields leave it to the plan. */
export function MonthTargetSheet({ track, onClose }: { track: Track; onClose: () => void }) {
  const [month, setMonth] = useState(monthOfDay(track.today));
  return <MonthFields key={month} track={track} month={month} onMonth={setMonth} onClose={onClose} />;
}

function MonthFields({
  track,
  month,
  onMonth,
  onClose,
}: {
  track: Track;
  month: number;
  onMonth: (month: number) => void;
  onClose: () => void;
}) {
  const { habit } = track;
  const edit = useHabitEdit();
  const set = setTargetOf(habit, month);
  const plan = planOf(track, monthSpan(month));
  const [days, setDays] = useState(text(set?.days));
  const [amount, setAmount] = useState(text(set?.amount));
  const [reward, setReward] = useState(rewardOfMonth(habit, month) ?? '');
  const isOnwardNow = isTakenOver(habit, month) || habit.monthTargets?.[formatMonth(month)]?.onward === true;
  const [scope, setScope] = useState<'once' | 'onward'>(set === null || isOnwardNow ? 'onward' : 'once');
  const [fault, setFault] = useState<string | null>(null);
  const unit = habit.measure.kind === 'amount' ? habit.measure.unit : null;
  const typed = { days: typedDays(days, 0), amount: typedAmount(amount) };
  const save = (): void => {
    if (typed.days.fault || typed.amount.fault) return;
    const wish = withoutBlank({ days: typed.days.value, amount: typed.amount.value, reward: reward.trim() });
    const next = withMonthTarget(habit, month, wish as never, scope === 'onward');
    const wrong = edit(next, `The target of ${monthAndYear(month)} is set`);
    setFault(wrong);
    if (wrong === null) onClose();
  };
  return (
    <SheetForm title="Target of the month" onSave={save} onClose={onClose} fault={fault}>
      <View style={{ flexDirection: 'row', alignItems: 'center' }}>
        <IconButton icon={ChevronLeft} label="The month before" onPress={() => onMonth(month - 1)} />
        <Words type="card" heading={3} style={{ flex: 1, textAlign: 'center' }}>
          {monthAndYear(month)}
        </Words>
        <IconButton icon={ChevronRight} label="The month after" onPress={() => onMonth(month + 1)} />
      </View>
      <Field
        label="Days"
        value={days}
        onChangeText={setDays}
        inputMode="numeric"
        placeholder={`${plan}, as planned`}
        hint={`Planned are ${plan}. Leave it empty to go by that.`}
        error={typed.days.fault}
      />
      {unit === null ? null : (
        <Field
          label="Amount"
          value={amount}
          onChangeText={setAmount}
          inputMode="decimal"
          suffix={unit}
          hint="Leave it empty for none."
          error={typed.amount.fault}
        />
      )}
      <Field
        label="Reward for reaching it"
        value={reward}
        onChangeText={setReward}
        maxLength={200}
        placeholder="An evening at the harbour"
      />
      <Labelled label="It holds">
        <Segments
          label="It holds"
          value={scope}
          choices={[
            { value: 'once', label: 'This month only' },
            { value: 'onward', label: 'From now on' },
          ]}
          onChange={setScope}
          isWrapping
        />
      </Labelled>
    </SheetForm>
  );
}

/** Sets what a year asks; empty fields leave it to the sum of its months. */
export function YearTargetSheet({ track, onClose }: { track: Track; onClose: () => void }) {
  const { habit } = track;
  const year = yearOfDay(track.today);
  const edit = useHabitEdit();
  const set = habit.yearTargets?.[String(year)];
  const sum = yearTargetOf({ ...track, habit: withYearTarget(habit, year, {}) }, year);
  const [days, setDays] = useState(text(set?.days));
  const [amount, setAmount] = useState(text(set?.amount));
  const [fault, setFault] = useState<string | null>(null);
  const unit = habit.measure.kind === 'amount' ? habit.measure.unit : null;
  const typed = { days: typedDays(days, 0), amount: typedAmount(amount) };
  const keep = (wish: { days?: number; amount?: number }, words: string): void => {
    const wrong = edit(withYearTarget(habit, year, wish), words);
    setFault(wrong);
    if (wrong === null) onClose();
  };
  const save = (): void => {
    if (typed.days.fault || typed.amount.fault) return;
    const wish = withoutBlank({ days: typed.days.value, amount: typed.amount.value });
    keep(wish as never, `The target of ${year} is set`);
  };
  return (
    <SheetForm
      title={`Target of ${year}`}
      onSave={save}
      onClose={onClose}
      fault={fault}
      more={
        set === undefined ? null : (
          <Button onPress={() => keep({}, `${year} goes by its months again`)}>By its months</Button>
        )
      }
    >
      <Field
        label="Days"
        value={days}
        onChangeText={setDays}
        inputMode="numeric"
        placeholder={`${sum.days}, its months together`}
        error={typed.days.fault}
      />
      {unit === null ? null : (
        <Field
          label="Amount"
          value={amount}
          onChangeText={setAmount}
          inputMode="decimal"
          suffix={unit}
          placeholder={sum.amount === null ? 'none' : editable(sum.amount)}
          error={typed.amount.fault}
        />
      )}
    </SheetForm>
  );
}
