import { type Track, dayOf, formatDay, monthRewards, withRewardEnjoyed } from '@wimbel/core';
import { View } from 'react-native';
import { counted, dateNear, monthAndYear } from '../../../text/format.ts';
import { themed } from '../../../theme/Theme.tsx';
import { SPACE } from '../../../theme/space.ts';
import { Card } from '../../../ui/Card.tsx';
import { CardHead } from '../../../ui/CardHead.tsx';
import { Words } from '../../../ui/Words.tsx';
import { useHabitEdit } from './useHabitEdit.ts';
import { CardAction } from './CardAction.tsx';

/** The rewards of months, this one's and those before: earned or not, and when they were enjoyed. */
export function MonthRewardsCard({ track }: { track: Track }) {
  const styles = useStyles();
  const edit = useHabitEdit();
  const { habit, today } = track;
  const rewards = monthRewards(track);
  if (rewards.length === 0) return null;
  return (
    <Card label="Rewards of months" style={styles.card}>
      <CardHead title="Rewards of months" />
      {rewards.map(({ month, reward, state, left, enjoyedOn }) => {
        const name = monthAndYear(month);
        const enjoy = (day: string | null): void =>
          void edit(
            withRewardEnjoyed(habit, month, day),
            day === null ? `${reward}: not enjoyed yet` : `${reward}: enjoyed`,
          );
        return (
          <View key={month} style={styles.rewardLine}>
            <View style={styles.rewardWords}>
              <Words tone={state === 'earned' ? 'brassText' : 'ink'}>{reward}</Words>
              <Words type="quiet" tone="quiet">
                {name}:{' '}
                {state === 'open'
                  ? left > 0
                    ? `${counted(left, 'day')} to go`
                    : 'not yet earned'
                  : state === 'missed'
                    ? 'not earned'
                    : enjoyedOn === null
                      ? 'earned'
                      : `earned, enjoyed on ${dateNear(dayOf(enjoyedOn), today)}`}
              </Words>
            </View>
            {state !== 'earned' ? null : enjoyedOn === null ? (
              <CardAction label={`Enjoyed: ${reward}, ${name}`} onPress={() => enjoy(formatDay(today))}>
                Enjoyed
              </CardAction>
            ) : (
              <CardAction label={`Not enjoyed yet: ${reward}, ${name}`} onPress={() => enjoy(null)}>
                Not yet
              </CardAction>
            )}
          </View>
        );
      })}
    </Card>
  );
}

const useStyles = themed(() => ({
  card: { gap: SPACE.m },
  rewardLine: { flexDirection: 'row', alignItems: 'center', gap: SPACE.s },
  rewardWords: { flex: 1, minWidth: 0 },
}));
