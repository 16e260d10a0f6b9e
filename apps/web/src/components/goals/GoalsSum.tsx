import { type FiguredGoal, type GoalsTogether, goalsTogether } from '@wimbel/core';
import { View } from 'react-native';
import { number } from '../../text/amounts.ts';
import { percent } from '../../text/format.ts';
import { themed } from '../../theme/Theme.tsx';
import { SPACE } from '../../theme/space.ts';
import { Words } from '../../ui/Words.tsx';
import { Figure } from '../figure/Figure.tsx';

export const togetherOfGoals = (goals: readonly FiguredGoal[]): GoalsTogether =>
  goalsTogether(goals.map(({ records: { goal }, figures: { progress } }) => ({ goal, progress })));

/** "5 set, 2 reached, 1 dropped": what became of some goals; what is 0 is left out. */
export const becameWords = ({ set, reached, dropped, paused }: GoalsTogether): string =>
  [
    `${number(set)} set`,
    reached > 0 ? `${number(reached)} reached` : '',
    dropped > 0 ? `${number(dropped)} dropped` : '',
    paused > 0 ? `${number(paused)} paused` : '',
  ]
    .filter(Boolean)
    .join(', ');

/** What became of some goals, and how far they are on the mean. */
export function GoalsSum({ goals, name }: { goals: readonly FiguredGoal[]; name: string }) {
  const styles = useStyles();
  const together = togetherOfGoals(goals);
  const mean = together.progress === null ? null : `mean ${percent(together.progress)}`;
  return (
    <View style={styles.line}>
      <Words type="quiet" tone="quiet">
        {becameWords(together)}
      </Words>
      {mean === null ? null : (
        <Figure
          asked={{ figure: 'goals', goalIds: goals.map(({ records }) => records.goal.id), name }}
          label={`${name}: ${mean}`}
        >
          <Words type="quiet" tone="quiet">
            {mean}
          </Words>
        </Figure>
      )}
    </View>
  );
}

const useStyles = themed(() => ({
  line: { flexDirection: 'row', flexWrap: 'wrap', alignItems: 'baseline', columnGap: SPACE.s },
}));
