import type { Goal, Habit, Impact } from '@wimbel/core';
import Plus from 'lucide-react-native/icons/plus';
import X from 'lucide-react-native/icons/x';
import { useState } from 'react';
import { View } from 'react-native';
import { AddLine } from '../../components/page/AddLine.tsx';
import { QuickHabitSheet } from '../../components/habitForm/QuickHabitSheet.tsx';
import { themed, useIsWide, useTheme } from '../../theme/Theme.tsx';
import { SPACE, TOUCH_PX } from '../../theme/space.ts';
import { Button } from '../../ui/Button.tsx';
import { Chips } from '../../ui/Chips.tsx';
import { Field } from '../../ui/Field.tsx';
import { IconButton } from '../../ui/IconButton.tsx';
import { SectionCard } from '../../ui/SectionCard.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { Words } from '../../ui/Words.tsx';
import { type Carrier, IMPACTS } from './carriers.ts';

/** Actions of the table, on a draft or on records. */
export type CarrierDeeds = {
  setImpact: (carrier: Carrier, impact: Impact | null) => void;
  /** Takes it out, with a word on why it is not worth doing. */
  drop: (carrier: Carrier, word: string) => void;
  /** Ties a habit that is there to a goal, or unties it. */
  link: (habit: Habit, goalId: string) => void;
  addHabit: (habit: Habit, goalId: string) => void;
  addSteps: (titles: string[], goalId: string) => void;
};

type Props = {
  goals: readonly Pick<Goal, 'id' | 'title'>[];
  carriersOf: (goalId: string) => Carrier[];
  /** Habits that can be chosen. */
  habits: readonly Habit[];
  /** What a habit carries now, in words; "" where it carries nothing. */
  carriedBy: (habit: Habit) => string;
  today: number;
  deeds: CarrierDeeds;
};

/** Goals, and below each what carries it, the highest impact first. */
export function CarriersTable({ goals, carriersOf, habits, carriedBy, today, deeds }: Props) {
  const [choosing, setChoosing] = useState<string | null>(null);
  const [making, setMaking] = useState<string | null>(null);
  const chosen = goals.find(({ id }) => id === choosing);
  return (
    <>
      {goals.map((goal) => (
        <SectionCard key={goal.id} title={goal.title} isFlush>
          <CarrierRows goal={goal} carriers={carriersOf(goal.id)} deeds={deeds} />
          <AddWays
            onChoose={habits.length > 0 ? () => setChoosing(goal.id) : undefined}
            onMake={() => setMaking(goal.id)}
          />
          <AddLine
            label={`A step for ${goal.title}`}
            placeholder="A step, such as: Ask Olwen about the tides"
            onAdd={(title) => deeds.addSteps([title], goal.id)}
            onList={(lines) =>
              deeds.addSteps(
                lines.map(({ title }) => title),
                goal.id,
              )
            }
          />
        </SectionCard>
      ))}
      {chosen === undefined ? null : (
        <ChooseSheet
          goal={chosen}
          habits={habits}
          carried={carriersOf(chosen.id)}
          carriedBy={carriedBy}
          onLink={deeds.link}
          onClose={() => setChoosing(null)}
        />
      )}
      {making === null ? null : (
        <QuickHabitSheet
          today={today}
          onClose={() => setMaking(null)}
          onMade={(habit) => {
            deeds.addHabit(habit, making);
            setMaking(null);
          }}
        />
      )}
    </>
  );
}

function AddWays({ onChoose, onMake }: { onChoose: (() => void) | undefined; onMake: () => void }) {
  const styles = useStyles();
  const { colors } = useTheme();
  return (
    <View style={styles.ways}>
      {onChoose ? (
        <Button kind="bare" onPress={onChoose}>
          Choose habits
        </Button>
      ) : null}
      <Button kind="bare" icon={<Plus size={16} color={colors.working} />} onPress={onMake}>
        A new habit
      </Button>
    </View>
  );
}

function CarrierRows({
  goal,
  carriers,
  deeds,
}: {
  goal: Pick<Goal, 'title'>;
  carriers: readonly Carrier[];
  deeds: CarrierDeeds;
}) {
  const styles = useStyles();
  const [dropped, setDropped] = useState<string | null>(null);
  if (carriers.length === 0) {
    return (
      <Words tone="quiet" style={styles.none}>
        Nothing carries it yet. What would you do for it every week?
      </Words>
    );
  }
  return (
    <View role="table" aria-label={`What carries ${goal.title}`}>
      <View role="row" style={styles.headRow}>
        <View role="columnheader" style={styles.name}>
          <Words type="small" tone="quiet">
            What carries it
          </Words>
        </View>
        <View role="columnheader">
          <Words type="small" tone="quiet">
            Impact
          </Words>
        </View>
      </View>
      {carriers.map((carrier) => (
        <CarrierRow
          key={carrier.id}
          carrier={carrier}
          deeds={deeds}
          isDropping={dropped === carrier.id}
          onDropping={(isOn) => setDropped(isOn ? carrier.id : null)}
        />
      ))}
    </View>
  );
}

function CarrierRow({
  carrier,
  deeds,
  isDropping,
  onDropping,
}: {
  carrier: Carrier;
  deeds: CarrierDeeds;
  isDropping: boolean;
  onDropping: (isOn: boolean) => void;
}) {
  const styles = useStyles();
  const isWide = useIsWide();
  const [word, setWord] = useState('');
  const { title, aside, impact, isCounted } = carrier;
  const drop = (): void => {
    deeds.drop(carrier, word);
    onDropping(false);
  };
  return (
    <View role="row" style={styles.row}>
      <View style={[styles.line, !isWide && styles.stacked]}>
        <View role="cell" style={styles.name}>
          <Words type="name">{title}</Words>
          <Words type="quiet" tone="quiet">
            {isCounted ? `${aside}, counted by a key result` : aside}
          </Words>
        </View>
        <View role="cell" style={styles.impact}>
          <Chips
            label={`Impact of ${title}`}
            chips={IMPACTS}
            chosen={impact === undefined ? [] : [impact]}
            onPress={(value) => deeds.setImpact(carrier, value === impact ? null : (value as Impact))}
          />
          {isCounted ? (
            <View style={styles.noKey} />
          ) : (
            <IconButton
              icon={X}
              sizePx={18}
              label={`Not worth doing: ${title}`}
              onPress={() => onDropping(!isDropping)}
            />
          )}
        </View>
      </View>
      {isDropping ? (
        <View style={styles.dropping}>
          <View style={styles.name}>
            <Field
              label="Why not, in a word"
              value={word}
              onChangeText={setWord}
              onSubmitEditing={drop}
              maxLength={200}
              placeholder="Too dear before spring"
              autoFocus
            />
          </View>
          <Button label={`Leave out ${title}`} onPress={drop}>
            Leave it out
          </Button>
        </View>
      ) : null}
    </View>
  );
}

/** Which of the habits there are carry a goal. */
function ChooseSheet({
  goal,
  habits,
  carried,
  carriedBy,
  onLink,
  onClose,
}: {
  goal: Pick<Goal, 'id' | 'title'>;
  habits: readonly Habit[];
  carried: readonly Carrier[];
  carriedBy: (habit: Habit) => string;
  onLink: (habit: Habit, goalId: string) => void;
  onClose: () => void;
}) {
  const ids = new Set(carried.map(({ id }) => id));
  const elsewhere = habits.filter((habit) => !ids.has(habit.id) && carriedBy(habit) !== '');
  return (
    <Sheet title="Habits that carry it" onClose={onClose}>
      <Words tone="quiet">{goal.title}</Words>
      <Chips
        label="Habits that carry it"
        isMultiple
        chips={habits.map(({ id, name }) => ({ value: id, label: name }))}
        chosen={habits.filter(({ id }) => ids.has(id)).map(({ id }) => id)}
        onPress={(id) => {
          const habit = habits.find((each) => each.id === id);
          if (habit) onLink(habit, goal.id);
        }}
      />
      {elsewhere.length === 0 ? null : (
        <Words type="quiet" tone="quiet">
          {`A habit carries one goal; seasons of before are scored by the goals that habits carry now. ${elsewhere
            .map((habit) => `${habit.name} carries ${carriedBy(habit)}`)
            .join('; ')}.`}
        </Words>
      )}
      <Button kind="main" onPress={onClose}>
        Done
      </Button>
    </Sheet>
  );
}

const useStyles = themed((colors) => ({
  none: { padding: SPACE.l },
  headRow: {
    flexDirection: 'row',
    justifyContent: 'space-between',
    paddingHorizontal: SPACE.l,
    paddingTop: SPACE.m,
  },
  row: { borderBottomWidth: 1, borderBottomColor: colors.line, paddingHorizontal: SPACE.l, paddingVertical: SPACE.s },
  line: { flexDirection: 'row', alignItems: 'center', columnGap: SPACE.m },
  stacked: { flexDirection: 'column', alignItems: 'stretch', rowGap: SPACE.xs },
  name: { flexGrow: 1, flexShrink: 1, minWidth: 0 },
  noKey: { width: TOUCH_PX },
  impact: { flexDirection: 'row', alignItems: 'center', justifyContent: 'space-between' },
  dropping: { flexDirection: 'row', alignItems: 'flex-end', gap: SPACE.s, paddingVertical: SPACE.s },
  ways: { flexDirection: 'row', flexWrap: 'wrap', paddingHorizontal: SPACE.s, paddingTop: SPACE.xs },
}));
