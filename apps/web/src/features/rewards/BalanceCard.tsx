import { balanceByDay, goodDaysFor, pipsOver } from '@wimbel/core';
import { useRouter } from 'expo-router';
import { useMemo } from 'react';
import { View } from 'react-native';
import { BalancePicture } from '../../charts/BalancePicture.tsx';
import { useMarks } from '../../charts/useMarks.ts';
import { number } from '../../text/amounts.ts';
import { dateNear } from '../../text/format.ts';
import { PATHS } from '../../platform/paths.ts';
import { selectEarnedOn, selectGoodDay, selectPipsBalance, selectPipsByDay } from '../../store/pipsSelectors.ts';
import { selectSettings, selectToday } from '../../store/selectors.ts';
import { useAppSelector } from '../../store/store.ts';
import { themed } from '../../theme/Theme.tsx';
import { SPACE } from '../../theme/space.ts';
import { Button } from '../../ui/Button.tsx';
import { Card } from '../../ui/Card.tsx';
import { CardHead } from '../../ui/CardHead.tsx';
import { Words } from '../../ui/Words.tsx';
import { goodDaysWords, pipsNameOf, pipsWords } from '../../text/pipsText.ts';

const EIGHT_WEEKS = 56;

/** What is left, what today brought, and the last eight weeks as a line. */
export function BalanceCard() {
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

const useStyles = themed(() => ({
  card: { gap: SPACE.s },
  balance: { flexDirection: 'row', flexWrap: 'wrap', alignItems: 'baseline', columnGap: SPACE.m },
  told: { flexShrink: 1 },
  way: { alignSelf: 'flex-start', marginLeft: -SPACE.s },
}));
