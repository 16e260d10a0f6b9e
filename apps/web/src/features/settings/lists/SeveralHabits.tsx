import { checkRecord } from '@wimbel/contract';
import { type Habit, archivedHabit, formatDay } from '@wimbel/core';
import { useState } from 'react';
import { View } from 'react-native';
import { useStore } from 'react-redux';
import { capital, counted } from '../../../text/format.ts';
import { changeTo, removalOf } from '../../../store/makeChange.ts';
import { selectEntry, selectIsHidden, selectSettings, selectToday } from '../../../store/selectors.ts';
import { type RootState, useAppSelector } from '../../../store/store.ts';
import { useRecording } from '../../../sync/recording.ts';
import { themed } from '../../../theme/Theme.tsx';
import { SPACE } from '../../../theme/space.ts';
import { Button } from '../../../ui/Button.tsx';
import { useToast } from '../../../ui/Toast.tsx';
import { Words } from '../../../ui/Words.tsx';
import { issueWords } from '../../../text/issueText.ts';
import { type Step, StepSheet } from './StepSheet.tsx';

/** Actions on several habits; each is one undo step. */
export function SeveralHabits({ habits, onDone }: { habits: readonly Habit[]; onDone: () => void }) {
  const styles = useStyles();
  const store = useStore<RootState>();
  const { change } = useRecording();
  const toast = useToast();
  const today = useAppSelector(selectToday);
  const { pipsName = { one: 'pip', many: 'pips' } } = useAppSelector(selectSettings);
  const hidesPips = useAppSelector((state) => selectIsHidden(state, 'pips'));
  const [step, setStep] = useState<Step | null>(null);
  const isNone = habits.length === 0;

  /** Keeps the habits as they are to be; gives what is wrong where one of them cannot be like that. */
  const put = (next: readonly Habit[], words: string): string | null => {
    for (const habit of next) {
      const [issue] = checkRecord('habits', habit).issues;
      if (issue !== undefined) return `${habit.name}: ${issueWords(issue)}. Nothing was changed.`;
    }
    const onUndo = change(...next.map((habit) => changeTo('habits', habit)));
    toast({ text: `${counted(next.length, 'habit')} ${words}`, onUndo });
    setStep(null);
    onDone();
    return null;
  };
  const archive = (): void => {
    const hasRecord = ({ id }: Habit): boolean => selectEntry(store.getState(), id, formatDay(today)) !== undefined;
    put(
      habits.map((habit) => archivedHabit(habit, today, hasRecord(habit))),
      'archived. Their record stays.',
    );
  };
  const remove = (): void => {
    const onUndo = change(...habits.map(({ id }) => removalOf('habits', id)));
    toast({ text: `${counted(habits.length, 'habit')} deleted`, onUndo });
    setStep(null);
    onDone();
  };
  const key = (label: string, to: Step) => (
    <Button onPress={() => setStep(to)} isDisabled={isNone}>
      {label}
    </Button>
  );
  return (
    <View style={styles.bar} role="toolbar" aria-label="For the habits chosen">
      <View role="status" style={styles.words}>
        <Words type="strong">{isNone ? 'Choose habits below' : `${habits.length} chosen`}</Words>
      </View>
      {key('Area', 'area')}
      {key('Part of the day', 'part')}
      {hidesPips ? null : key(capital(pipsName.many), 'pips')}
      {key('Away', 'pause')}
      <Button onPress={archive} isDisabled={isNone}>
        Archive
      </Button>
      {key('Delete', 'delete')}
      <Button kind="bare" onPress={onDone}>
        Done choosing
      </Button>
      {step === null ? null : (
        <StepSheet
          step={step}
          habits={habits}
          onClose={() => setStep(null)}
          onPut={put}
          onArchive={archive}
          onRemove={remove}
        />
      )}
    </View>
  );
}

const useStyles = themed(() => ({
  bar: { flexDirection: 'row', flexWrap: 'wrap', alignItems: 'center', gap: SPACE.s },
  words: { minWidth: 110 },
}));
