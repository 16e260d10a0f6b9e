import { type Reward, balanceByDay, goodDaysFor, pipsOver, rewardsStanding } from '@wimbel/core';
import { useRouter } from 'expo-router';
import ListOrdered from 'lucide-react-native/icons/list-ordered';
import Plus from 'lucide-react-native/icons/plus';
import Scale from 'lucide-react-native/icons/scale';
import { useMemo, useState } from 'react';
import { Pressable, View } from 'react-native';
import { BalancePicture } from '../../charts/BalancePicture.tsx';
import { useMarks } from '../../charts/useMarks.ts';
import { useClaim } from '../../components/rewards/useClaim.ts';
import { number } from '../../text/amounts.ts';
import { dateNear } from '../../text/format.ts';
import { PATHS } from '../../platform/paths.ts';
import {
  selectEarnedOn,
  selectGoodDay,
  selectPipsBalance,
  selectPipsByDay,
  selectRewards,
} from '../../store/pipsSelectors.ts';
import { selectSettings, selectToday } from '../../store/selectors.ts';
import { useAppSelector } from '../../store/store.ts';
import { themed, useIsWide, useTheme } from '../../theme/Theme.tsx';
import { SPACE } from '../../theme/space.ts';
import { Button } from '../../ui/Button.tsx';
import { Card } from '../../ui/Card.tsx';
import { CardHead } from '../../ui/CardHead.tsx';
import { EmptyState } from '../../ui/EmptyState.tsx';
import { Page } from '../../ui/Frame.tsx';
import { HabitIcon } from '../../ui/HabitIcon.tsx';
import { IconButton } from '../../ui/IconButton.tsx';
import { ProgressBar } from '../../ui/ProgressBar.tsx';
import { Words } from '../../ui/Words.tsx';
import { goodDaysWords, pipsNameOf, pipsWords } from '../../text/pipsText.ts';
import { PromisedCard } from './PromisedCard.tsx';
import { RetiredCard, RewardSheet } from './RewardSheet.tsx';
import { RibbonsCard } from './RibbonsCard.tsx';

const EIGHT_WEEKS = 56;

/** What was earned and is left, what it is enough for, and what was promised. */
export function RewardsScreen() {
  const styles = useStyles();
  const isWide = useIsWide();
  const router = useRouter();
  const rewards = useAppSelector(selectRewards);
  const [edited, setEdited] = useState<Reward | 'new' | null>(null);
  const { many } = pipsNameOf(useAppSelector(selectSettings));
  const left = (
    <>
      <BalanceCard />
      <RewardsCard onEdit={setEdited} />
      <RetiredCard />
    </>
  );
  const right = (
    <>
      <RibbonsCard />
      <PromisedCard />
    </>
  );
  return (
    <Page>
      <View style={styles.head}>
        <Words type="title" heading={1} style={styles.title}>
          Rewards
        </Words>
        <IconButton icon={Plus} name="Add a reward" label="Add a reward" onPress={() => setEdited('new')} />
        <IconButton
          icon={Scale}
          name={`What earns ${many}`}
          label={`What earns ${many}`}
          onPress={() => router.push(PATHS.pipsTable)}
        />
        <IconButton
          icon={ListOrdered}
          name="Earned and spent"
          label="Earned and spent"
          onPress={() => router.push(PATHS.ledger)}
        />
      </View>
      {isWide ? (
        <View style={styles.columns}>
          <View style={styles.broad}>{left}</View>
          <View style={styles.narrow}>{right}</View>
        </View>
      ) : (
        <>
          {left}
          {right}
        </>
      )}
      {edited === null ? null : (
        <RewardSheet
          reward={edited === 'new' ? null : edited}
          order={Math.max(-1, ...Object.values(rewards).map(({ order }) => order)) + 1}
          onClose={() => setEdited(null)}
        />
      )}
    </Page>
  );
}

/** What is left, what today brought, and the last eight weeks as a line. */
function BalanceCard() {
  const styles = useStyles();
  const router = useRouter();
  const today = useAppSelector(selectToday);
  const settings = useAppSelector(selectSettings);
  const balance = useAppSelector(selectPipsBalance);
  const earned = useAppSelector((state) => selectEarnedOn(state, today));
  const byDay = useAppSelector(selectPipsByDay);
  const goodDay = useAppSelector(selectGoodDay);
  const choice = useMarks('balance');
  const span = useMemo(() => ({ first: today - EIGHT_WEEKS + 1, last: today }), [today]);
  const days = useMemo(() => balanceByDay(byDay, span), [byDay, span]);
  const sums = pipsOver(byDay, span);
  const at = choice.at === null ? undefined : days.find(({ day }) => day === choice.at);
  const { one, many } = pipsNameOf(settings);
  const back = balance < 0 ? goodDaysWords(goodDaysFor(-balance, goodDay)) : '';
  return (
    <Card style={styles.card} label="Balance">
      <View style={styles.balance}>
        <Words type="display" label={pipsWords(settings, balance)} tone={balance < 0 ? 'madder' : 'ink'}>
          {number(Math.abs(balance))}
        </Words>
        <Words tone="quiet" style={styles.told}>
          {balance < 0
            ? `${Math.abs(balance) === 1 ? one : many} below zero${back === '' ? '' : `: ${back} to climb back`}`
            : `${balance === 1 ? one : many}, ${number(earned)} earned today`}
        </Words>
      </View>
      {byDay.earned.length === 0 ? (
        <Words tone="quiet">{`Give a habit ${many}, and each day it is done earns them.`}</Words>
      ) : (
        <>
          <CardHead title="Eight weeks" aside={`earned ${number(sums.earned)}, spent ${number(sums.spent)}`} />
          <BalancePicture
            days={days}
            choice={choice}
            label={`What was left, day by day, over eight weeks: now ${pipsWords(settings, balance)}. Arrow keys go from day to day.`}
          />
          <View role="status">
            <Words type="quiet" tone="quiet">
              {at === undefined
                ? 'Choose a day to see what was left.'
                : `${dateNear(at.day, today)}: ${pipsWords(settings, at.balance)} left`}
            </Words>
          </View>
        </>
      )}
      <Button kind="bare" onPress={() => router.push(PATHS.ledger)} style={styles.way}>
        Everything earned and spent
      </Button>
    </Card>
  );
}

/** The rewards there are: those it is enough for first, the others with how far they are. */
function RewardsCard({ onEdit }: { onEdit: (reward: Reward | 'new') => void }) {
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
  head: { flexDirection: 'row', alignItems: 'center', flexWrap: 'wrap' },
  title: { flex: 1, minWidth: 120 },
  columns: { flexDirection: 'row', gap: SPACE.xl, alignItems: 'flex-start' },
  broad: { flex: 5, minWidth: 0, gap: SPACE.l },
  narrow: { flex: 4, minWidth: 0, gap: SPACE.l },
  card: { gap: SPACE.s },
  balance: { flexDirection: 'row', flexWrap: 'wrap', alignItems: 'baseline', columnGap: SPACE.m },
  told: { flexShrink: 1 },
  way: { alignSelf: 'flex-start', marginLeft: -SPACE.s },
  section: { gap: SPACE.s },
  sectionName: { paddingHorizontal: SPACE.xs },
  reward: { flexDirection: 'row', alignItems: 'center', gap: SPACE.s, paddingRight: SPACE.m, minHeight: 64 },
  parted: { borderTopWidth: 1, borderTopColor: colors.line },
  name: { flex: 1, minWidth: 0, flexDirection: 'row', alignItems: 'center', gap: SPACE.m, padding: SPACE.m },
  icon: { width: 24, alignItems: 'center' },
  words: { flex: 1, minWidth: 0, gap: 2 },
}));
