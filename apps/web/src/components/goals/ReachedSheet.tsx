import { type FiguredGoal, type KeyResult, type PlainDay, dayOf, isStepsMeasure } from '@wimbel/core';
import { useState } from 'react';
import { View } from 'react-native';
import { writeLocalSetting } from '../../platform/localSettings.ts';
import { selectFiguredList } from '../../store/goalSelectors.ts';
import { selectToday } from '../../store/selectors.ts';
import { useAppSelector } from '../../store/store.ts';
import { SPACE } from '../../theme/space.ts';
import { Button } from '../../ui/Button.tsx';
import { Field } from '../../ui/Field.tsx';
import { Shavings } from '../../ui/Shavings.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { Words } from '../../ui/Words.tsx';
import { standingOf } from '../../text/goalText.ts';
import { type Reached, stepsUnder, announcedKey } from './reached.ts';
import { useGoalActions } from './useGoalActions.ts';

/** The day on which a key result got where it is: of its last check-in or step; of habits today. */
export function reachedOn({ records }: FiguredGoal, { id, measure }: KeyResult, today: PlainDay): PlainDay {
  const days = isStepsMeasure(measure)
    ? stepsUnder(records, id).flatMap(({ doneOn }) => (doneOn ? [dayOf(doneOn)] : []))
    : 'habitId' in measure
      ? []
      : records.checkIns.filter((each) => each.keyResultId === id).map(({ day }) => dayOf(day));
  const past = days.filter((day) => day <= today);
  return past.length === 0 ? today : Math.max(...past);
}

/** Tells of a key result that is reached, and asks for a word on how it went. */
export function ReachedSheet({ reached: { goal, keyResult }, onClose }: { reached: Reached; onClose: () => void }) {
  const actions = useGoalActions();
  const [word, setWord] = useState('');
  const today = useAppSelector(selectToday);
  const figured = useAppSelector(selectFiguredList).find(({ records }) => records.goal.id === goal.id);
  const figures = figured?.figures.keyResults[keyResult.id];
  if (figured === undefined || figures === undefined) return null;
  const day = reachedOn(figured, keyResult, today);
  const isWhole = (figured.figures.progress ?? 0) >= 1;
  const close = (): void => {
    writeLocalSetting(announcedKey(keyResult), 'told');
    onClose();
  };
  const keep = (): void => {
    if (word.trim() !== '') actions.word(figured.records.goal, keyResult.title, word.trim(), day);
    close();
  };
  return (
    <Sheet title={`${keyResult.title} is reached`} onClose={close}>
      <Shavings />
      <Words>
        {standingOf(keyResult, figures)}. {isWhole ? `With it all of “${goal.title}” is reached.` : ''}
      </Words>
      {isWhole && goal.reward ? <Words tone="brassText">Your reward: {goal.reward}</Words> : null}
      <Field
        label="How did it go"
        value={word}
        onChangeText={setWord}
        multiline
        maxLength={5000}
        hint="A word for later; it stays in the goal’s story."
      />
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s }}>
        {isWhole ? (
          <Button
            kind="main"
            onPress={() => {
              close();
              actions.close(figured.records.goal, 'reached', word.trim(), day);
            }}
          >
            Close the goal as reached
          </Button>
        ) : null}
        <Button kind={isWhole ? 'plain' : 'main'} onPress={keep}>
          {isWhole ? 'Leave it open' : 'Go on'}
        </Button>
      </View>
    </Sheet>
  );
}
