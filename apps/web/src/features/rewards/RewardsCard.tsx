import { type Reward, goodDaysFor, rewardsStanding } from '@wimbel/core';
import { useMemo } from 'react';
import { Pressable, View } from 'react-native';
import { useClaim } from '../../components/rewards/useClaim.ts';
import { number } from '../../text/amounts.ts';
import { selectGoodDay, selectPipsBalance, selectRewards } from '../../store/pipsSelectors.ts';
import { selectSettings } from '../../store/selectors.ts';
import { useAppSelector } from '../../store/store.ts';
import { themed, useTheme } from '../../theme/Theme.tsx';
import { SPACE } from '../../theme/space.ts';
import { Button } from '../../ui/Button.tsx';
import { Card } from '../../ui/Card.tsx';
import { EmptyState } from '../../ui/EmptyState.tsx';
import { HabitIcon } from '../../ui/HabitIcon.tsx';
import { ProgressBar } from '../../ui/ProgressBar.tsx';
import { Words } from '../../ui/Words.tsx';
import { goodDaysWords, pipsNameOf, pipsWords } from '../../text/pipsText.ts';

/** The rewards there are: those it is enough for first, the others with how far they are. */
export function RewardsCard({ onEdit }: { onEdit: (reward: Reward | 'new') => void }) {
  const styles = useStyles();
  const { colors } = useTheme();
  const settings = useAppSelector(selectSettings);
  const rewards = useAppSelector(selectRewards);
  const balance = useAppSelector(selectPipsBalance);
  const goodDay = useAppSelector(selectGoodDay);
  const claim = useClaim();
  const standing = useMemo(() => rewardsStanding(Object.values(rewards), balance), [rewards, balance]);
  if (standing.length === 0) {
    return (
      <EmptyState
        title="No rewards yet"
        text={`Something you would enjoy, and how many ${pipsNameOf(settings).many} it is worth to you.`}
      >
        <Button kind="main" onPress={() => onEdit('new')}>
          Add a reward
        </Button>
      </EmptyState>
    );
  }
  return (
    <View style={styles.section}>
      <Words type="label" tone="quiet" heading={2} style={styles.sectionName}>
        What it is enough for
      </Words>
      <Card isFlush label="Rewards">
        {standing.map(({ reward, missing }, place) => {
          const far = missing === 0 ? '' : goodDaysWords(goodDaysFor(missing, goodDay));
          const told =
            missing === 0
              ? pipsWords(settings, reward.cost)
              : `${pipsWords(settings, reward.cost)}, ${number(missing)} more${far === '' ? '' : `: ${far}`}`;
          return (
            <View key={reward.id} style={[styles.reward, place > 0 && styles.parted]}>
              <Pressable
                role="button"
                aria-label={`Change ${reward.title}: ${told}`}
                onPress={() => onEdit(reward)}
                style={styles.name}
              >
                <View style={styles.icon}>{reward.icon ? <HabitIcon name={reward.icon} /> : null}</View>
                <View style={styles.words}>
                  <Words type="name">{reward.title}</Words>
                  <Words type="quiet" tone="quiet">
                    {told}
                  </Words>
                  {missing === 0 || balance <= 0 ? null : (
                    <ProgressBar
                      ratio={balance / reward.cost}
                      color={colors.brass}
                      label={`${number(balance)} of ${number(reward.cost)}`}
                    />
                  )}
                </View>
              </Pressable>
              <Button
                kind={missing === 0 ? 'main' : 'plain'}
                label={missing === 0 ? `Claim ${reward.title}` : `Claim ${reward.title}, and go below zero`}
                onPress={() => claim(reward)}
              >
                Claim
              </Button>
            </View>
          );
        })}
      </Card>
    </View>
  );
}

const useStyles = themed((colors) => ({
  section: { gap: SPACE.s },
  sectionName: { paddingHorizontal: SPACE.xs },
  reward: { flexDirection: 'row', alignItems: 'center', gap: SPACE.s, paddingRight: SPACE.m, minHeight: 64 },
  parted: { borderTopWidth: 1, borderTopColor: colors.line },
  name: { flex: 1, minWidth: 0, flexDirection: 'row', alignItems: 'center', gap: SPACE.m, padding: SPACE.m },
  icon: { width: 24, alignItems: 'center' },
  words: { flex: 1, minWidth: 0, gap: 2 },
}));
