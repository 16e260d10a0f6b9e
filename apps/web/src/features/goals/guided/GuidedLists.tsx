import { type Goal, type Habit, type KeyResult, dayOf } from '@wimbel/core';
import Plus from 'lucide-react-native/icons/plus';
import X from 'lucide-react-native/icons/x';
import { useState } from 'react';
import { Pressable, View } from 'react-native';
import { holeColor, targetWords } from '../../../text/goalText.ts';
import { counted, dateNear } from '../../../text/format.ts';
import { themed, useTheme } from '../../../theme/Theme.tsx';
import { SPACE } from '../../../theme/space.ts';
import { Button } from '../../../ui/Button.tsx';
import { Card } from '../../../ui/Card.tsx';
import { Chips } from '../../../ui/Chips.tsx';
import { IconButton } from '../../../ui/IconButton.tsx';
import { Words } from '../../../ui/Words.tsx';
import { PlanSummary, type PlannedPart } from '../../../components/guided/PlanSummary.tsx';
import { AddLine } from '../../../components/page/AddLine.tsx';
import { type GuidedPage, type PageProps } from './guidedDraft.ts';
import { KeyResultForm } from '../../../components/keyResultForm/KeyResultForm.tsx';
import { QuickHabitSheet } from '../../../components/habitForm/QuickHabitSheet.tsx';

/** A line of what is planned, with the way to take it out again. */
function Planned({
  title,
  words,
  dot,
  onPress,
  onRemove,
}: {
  title: string;
  words?: string;
  dot?: string;
  onPress?: () => void;
  onRemove: () => void;
}) {
  const styles = useStyles();
  return (
    <View style={styles.planned}>
      {dot ? <View style={[styles.dot, { backgroundColor: dot }]} /> : null}
      <Pressable
        role={onPress ? 'button' : undefined}
        aria-label={onPress ? `Edit ${title}` : undefined}
        disabled={!onPress}
        onPress={onPress}
        style={styles.words}
      >
        <Words type="name">{title}</Words>
        {words ? (
          <Words type="quiet" tone="quiet">
            {words}
          </Words>
        ) : null}
      </Pressable>
      <IconButton icon={X} sizePx={18} label={`Leave out ${title}`} onPress={onRemove} />
    </View>
  );
}

function AddKey({ children, onPress }: { children: string; onPress: () => void }) {
  const { colors } = useTheme();
  return (
    <Button icon={<Plus size={18} color={colors.ink} />} onPress={onPress} style={{ alignSelf: 'flex-start' }}>
      {children}
    </Button>
  );
}

export function KeyResultsPage({ draft, set, goal, habits }: PageProps & { goal: Goal; habits: readonly Habit[] }) {
  const { colors } = useTheme();
  const [edited, setEdited] = useState<KeyResult | 'new' | null>(null);
  const { keyResults } = draft;
  return (
    <>
      {keyResults.length > 0 ? (
        <Card isFlush label="Key results so far">
          {keyResults.map((each, place) => (
            <Planned
              key={each.id}
              title={each.title}
              words={targetWords(each)}
              dot={holeColor(colors, place)}
              onPress={() => setEdited(each)}
              onRemove={() => set({ keyResults: keyResults.filter(({ id }) => id !== each.id) })}
            />
          ))}
        </Card>
      ) : null}
      <AddKey onPress={() => setEdited('new')}>Add a key result</AddKey>
      {edited === null ? null : (
        <KeyResultForm
          goal={goal}
          keyResult={edited === 'new' ? null : edited}
          nextOrder={keyResults.length}
          habits={habits}
          onClose={() => setEdited(null)}
          onSave={(next) => {
            const isThere = keyResults.some(({ id }) => id === next.id);
            set({
              keyResults: isThere
                ? keyResults.map((each) => (each.id === next.id ? next : each))
                : [...keyResults, next],
            });
            setEdited(null);
          }}
        />
      )}
    </>
  );
}

export function HabitsPage({ draft, set, habits, today }: PageProps & { habits: readonly Habit[] }) {
  const [isMaking, setIsMaking] = useState(false);
  const { linked } = draft;
  return (
    <>
      {habits.length === 0 ? null : (
        <Chips
          label="Habits that carry it"
          chips={habits.map((habit) => ({ value: habit.id, label: habit.name }))}
          chosen={linked}
          isMultiple
          onPress={(id) =>
            set({ linked: linked.includes(id) ? linked.filter((each) => each !== id) : [...linked, id] })
          }
        />
      )}
      {draft.habits.length > 0 ? (
        <Card isFlush label="New habits">
          {draft.habits.map((habit) => (
            <Planned
              key={habit.id}
              title={habit.name}
              words="A new habit, from today"
              onRemove={() =>
                set({
                  habits: draft.habits.filter(({ id }) => id !== habit.id),
                  keyResults: draft.keyResults.filter(
                    ({ measure }) => !('habitId' in measure && measure.habitId === habit.id),
                  ),
                })
              }
            />
          ))}
        </Card>
      ) : null}
      <AddKey onPress={() => setIsMaking(true)}>Make a new habit</AddKey>
      {isMaking ? (
        <QuickHabitSheet
          today={today}
          onClose={() => setIsMaking(false)}
          onMade={(habit) => {
            set({ habits: [...draft.habits, habit] });
            setIsMaking(false);
          }}
        />
      ) : null}
    </>
  );
}

export function StepsPage({ draft, set }: PageProps) {
  const { steps } = draft;
  return (
    <Card isFlush label="First steps">
      {steps.map((title, place) => (
        <Planned
          key={`${place} ${title}`}
          title={title}
          onRemove={() => set({ steps: steps.filter((_, index) => index !== place) })}
        />
      ))}
      <AddLine
        label="A first step"
        placeholder="Ask Olwen for the long clamps"
        onList={(lines) => set({ steps: [...steps, ...lines.map(({ title }) => title)] })}
        onAdd={(title) => set({ steps: [...steps, title] })}
      />
    </Card>
  );
}

export function LookPage({
  draft,
  habits,
  hints,
  today,
  onGo,
}: PageProps & { habits: readonly Habit[]; hints: readonly string[]; onGo: (page: GuidedPage) => void }) {
  const carrying = habits.filter(
    (habit) => draft.linked.includes(habit.id) || draft.habits.some(({ id }) => id === habit.id),
  );
  const starts = draft.startsOn === '' ? '' : dateNear(dayOf(draft.startsOn), today);
  const due = draft.dueOn === '' ? 'no due day' : `to ${dateNear(dayOf(draft.dueOn), today)}`;
  const parts: PlannedPart<GuidedPage>[] = [
    ['what', 'Goal', draft.title.trim() || 'not said yet'],
    ['done', 'Done when', draft.doneWhen.trim() || 'not said'],
    ['when', 'When', `${starts} ${due}`],
    ['keyResults', 'Key results', draft.keyResults.map(({ title }) => title).join(', ') || 'none'],
    ['habits', 'Habits', carrying.map(({ name }) => name).join(', ') || 'none'],
    ['steps', 'First steps', draft.steps.length === 0 ? 'none' : counted(draft.steps.length, 'step')],
  ];
  return <PlanSummary label="The plan" parts={parts} hints={hints} onGo={onGo} />;
}

const useStyles = themed((colors) => ({
  planned: {
    flexDirection: 'row',
    alignItems: 'center',
    gap: SPACE.m,
    paddingLeft: SPACE.l,
    minHeight: 54,
    borderBottomWidth: 1,
    borderBottomColor: colors.line,
  },
  dot: { width: 10, height: 10, borderRadius: 5 },
  words: { flex: 1, minWidth: 0 },
}));
