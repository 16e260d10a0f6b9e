import { selectRewards } from '../../store/pipsSelectors.ts';
import { selectHabits } from '../../store/selectors.ts';
import { useAppSelector } from '../../store/store.ts';
import { Button } from '../../ui/Button.tsx';
import { Chips } from '../../ui/Chips.tsx';
import { Labelled } from '../../ui/Field.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { compareByOrder } from '@wimbel/core';

/** Only what one habit earned, or what one reward cost. */
export type Only = { of: 'habit' | 'reward'; id: string };

/** What the ledger is narrowed to, as a chip that takes it back. */
export function OnlyChip({ only, onAll }: { only: Only | null; onAll: () => void }) {
  const name = useAppSelector((state) =>
    only === null
      ? ''
      : only.of === 'habit'
        ? (state.records.habits[only.id]?.name ?? '')
        : (state.records.rewards[only.id]?.title ?? ''),
  );
  if (only === null) return null;
  return (
    <Chips
      label="Only this; a tap shows everything again"
      isMultiple
      chips={[{ value: only.id, label: name }]}
      chosen={[only.id]}
      onPress={onAll}
    />
  );
}

/** Chooses one habit or reward. */
export function OnlySheet({
  only,
  onChoose,
  onClose,
}: {
  only: Only | null;
  onChoose: (only: Only | null) => void;
  onClose: () => void;
}) {
  const habits = useAppSelector(selectHabits).filter(({ terms }) => terms.some(({ pips }) => (pips ?? 0) > 0));
  const rewards = Object.values(useAppSelector(selectRewards)).sort(compareByOrder);
  const chosen = only === null ? [] : [only.id];
  return (
    <Sheet title="Only one" onClose={onClose}>
      <Labelled label="What a habit earned">
        <Chips
          label="A habit"
          chips={habits.map(({ id, name }) => ({ value: id, label: name }))}
          chosen={chosen}
          onPress={(id) => onChoose({ of: 'habit', id })}
        />
      </Labelled>
      {rewards.length === 0 ? null : (
        <Labelled label="What a reward cost">
          <Chips
            label="A reward"
            chips={rewards.map(({ id, title }) => ({ value: id, label: title }))}
            chosen={chosen}
            onPress={(id) => onChoose({ of: 'reward', id })}
          />
        </Labelled>
      )}
      <Button onPress={() => onChoose(null)}>Everything</Button>
    </Sheet>
  );
}
