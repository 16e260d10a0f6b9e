import { type Habit, parseDay } from '@wimbel/core';
import { View } from 'react-native';
import { counted, fullDate } from '../../../text/format.ts';
import { themed } from '../../../theme/Theme.tsx';
import { SPACE } from '../../../theme/space.ts';
import { Words } from '../../../ui/Words.tsx';
import { type YearTurnDraft, isWish } from './yearTurnDraft.ts';

const dateOf = (text: string): string => {
  const day = parseDay(text);
  return day === null ? text : fullDate(day);
};

/** What is about to be set, in words. */
export function LookOver({ year, habits, draft }: { year: number; habits: readonly Habit[]; draft: YearTurnDraft }) {
  const styles = useStyles();
  const changed = habits.filter(({ id }) => draft.habits[id] !== undefined && isWish(draft.habits[id]));
  const goals = draft.goals.filter(({ title }) => title.trim() !== '');
  return (
    <View style={styles.lines}>
      <Words>
        {changed.length === 0
          ? 'All habits go on as they are.'
          : `${counted(changed.length, 'habit')} changed: ${changed.map(({ name }) => name).join(', ')}.`}
      </Words>
      {goals.length === 0 ? <Words>No new goals.</Words> : null}
      {goals.map((goal) => (
        <View key={goal.id} style={styles.lines}>
          <Words type="strong">{goal.title}</Words>
          <Words type="quiet" tone="quiet">
            {[
              goal.dueOn === '' ? 'no due day' : `due ${dateOf(goal.dueOn)}`,
              ...goal.milestones
                .filter(({ title }) => title.trim() !== '')
                .map(({ title, dueOn }) => `${title}${dueOn === '' ? '' : `, ${dateOf(dueOn)}`}`),
            ].join(' · ')}
          </Words>
        </View>
      ))}
      <Words type="quiet" tone="quiet">
        {`What you wrote of ${year - 1} is kept already.`}
      </Words>
    </View>
  );
}

const useStyles = themed(() => ({
  lines: { gap: SPACE.s },
}));
