import { type FiguredGoal, allStepsValue, numberOf } from '@wimbel/core';
import { useMemo } from 'react';
import { View } from 'react-native';
import { stepsWords } from '../../../text/goalText.ts';
import { selectToday } from '../../../store/selectors.ts';
import { useAppSelector } from '../../../store/store.ts';
import { themed } from '../../../theme/Theme.tsx';
import { SPACE } from '../../../theme/space.ts';
import { number } from '../../../text/amounts.ts';
import { FigureWords } from '../../../components/figure/Figure.tsx';

/** "3 of 8 done, 5 left": of all steps of a goal. */
export function StepsSum({ figured }: { figured: FiguredGoal }) {
  const styles = useStyles();
  const today = useAppSelector(selectToday);
  const { steps, goal } = figured.records;
  const { value, count } = useMemo(() => allStepsValue(steps, today), [steps, today]);
  if (count === 0) return null;
  const left = count - numberOf(value);
  const words = `${stepsWords(numberOf(value), count)} done${left > 0 ? `, ${number(Math.round(left * 10) / 10)} left` : ''}`;
  return (
    <View style={styles.sum}>
      <FigureWords asked={{ figure: 'goalSteps', goalId: goal.id }} words={words} />
    </View>
  );
}

const useStyles = themed(() => ({
  sum: { paddingHorizontal: SPACE.l, paddingBottom: SPACE.s, paddingTop: SPACE.s },
}));
