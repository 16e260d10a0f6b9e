import {
  type Track,
  monthFigures,
  monthOfDay,
  setTargetOf,
  yearFigures,
  yearOfDay,
  isTargetReached,
  rewardOfMonth,
  monthSpan,
  yearSpan,
} from '@wimbel/core';
import { useRouter } from 'expo-router';
import { type ReactNode, useState } from 'react';
import { View } from 'react-native';
import { selectSettings } from '../../../store/selectors.ts';
import { useAppSelector } from '../../../store/store.ts';
import { amountOf, number } from '../../../text/amounts.ts';
import { targetWords } from '../../../text/keptText.ts';
import { counted, monthName, percent } from '../../../text/format.ts';
import { themed } from '../../../theme/Theme.tsx';
import { SPACE } from '../../../theme/space.ts';
import { Card } from '../../../ui/Card.tsx';
import { CardHead } from '../../../ui/CardHead.tsx';
import { ProgressBar } from '../../../ui/ProgressBar.tsx';
import { Words } from '../../../ui/Words.tsx';
import { MonthTargetSheet, YearTargetSheet } from '../targets/TargetSheets.tsx';
import type { FigureQuery } from '../../../text/figureQuery.ts';
import { Figure } from '../../../components/figure/Figure.tsx';
import { PATHS } from '../../../platform/paths.ts';
import { CardAction } from './CardAction.tsx';

/** What this month and this year ask: what was set, or the plan. */
export function TargetsCard({ track, color }: { track: Track; color: string }) {
  const styles = useStyles();
  const router = useRouter();
  const { passMark } = useAppSelector(selectSettings);
  const [sheet, setSheet] = useState<'month' | 'year' | null>(null);
  const { habit, today } = track;
  const month = monthOfDay(today);
  const year = yearOfDay(today);
  const ofMonth = monthFigures(track, month, passMark);
  const ofYear = yearFigures(track, year);
  const set = setTargetOf(habit, month);
  const reward = rewardOfMonth(habit, month);
  const setYear = habit.yearTargets?.[String(year)];
  const unit = habit.measure.kind === 'amount' ? habit.measure.unit : '';
  const amounts = ({ amount: sum, amountTarget }: typeof ofYear): string | null =>
    sum === undefined || amountTarget === null || amountTarget === undefined ? null : amountOf(sum, amountTarget, unit);
  return (
    <Card label="Targets" style={styles.card}>
      <CardHead
        title="Targets"
        aside={
          <CardAction label="Targets of all habits" onPress={() => router.push(PATHS.habitTargets)}>
            All habits
          </CardAction>
        }
      />
      <TargetLine
        name={monthName(month)}
        source={set?.days === undefined ? 'as planned' : 'set by you'}
        isSet={set?.days !== undefined}
        asked={{ figure: 'habitTarget', habitId: habit.id, kind: 'month', span: monthSpan(month) }}
        figures={ofMonth}
        amounts={amounts(ofMonth)}
        color={color}
        action={<CardAction label="Set the month’s target" onPress={() => setSheet('month')} />}
      />
      {reward === null ? null : (
        <Words type="quiet" tone="brassText">
          {isTargetReached(ofMonth) ? 'Earned' : 'Reward'}: {reward}
        </Words>
      )}
      <TargetLine
        name={String(year)}
        source={setYear?.days === undefined ? 'its months together' : 'set by you'}
        isSet={setYear?.days !== undefined}
        asked={{ figure: 'habitTarget', habitId: habit.id, kind: 'year', span: yearSpan(year) }}
        figures={ofYear}
        amounts={amounts(ofYear)}
        color={color}
        action={<CardAction label="Set the year’s target" onPress={() => setSheet('year')} />}
      />
      {sheet === 'month' ? <MonthTargetSheet track={track} onClose={() => setSheet(null)} /> : null}
      {sheet === 'year' ? <YearTargetSheet track={track} onClose={() => setSheet(null)} /> : null}
    </Card>
  );
}

/** A target that was set, with what is done of it; or what is planned where none is. */
function TargetLine({
  name,
  source,
  isSet,
  asked,
  figures,
  amounts,
  color,
  action,
}: {
  name: string;
  source: string;
  isSet: boolean;
  asked: Extract<FigureQuery, { figure: 'habitTarget' }>;
  figures: { actual: number; target: number; left: number; share: number | null };
  amounts: string | null;
  color: string;
  action: ReactNode;
}) {
  const styles = useStyles();
  const { actual, target, left, share } = figures;
  const words = isSet
    ? `${targetWords(actual, target, left)}, ${percent(share)}`
    : `${counted(target, 'day')} planned, ${number(actual)} done`;
  return (
    <View style={styles.target}>
      <View style={styles.line}>
        <View style={styles.grow}>
          <Words type="strong">{name}</Words>
          <Words type="small" tone="quiet">
            {source}
          </Words>
        </View>
        {action}
      </View>
      <Figure asked={asked} label={`${name}: ${words}`}>
        <Words type="label">{words}</Words>
      </Figure>
      {isSet ? <ProgressBar ratio={share ?? 0} color={color} label={`${name}: ${words}`} heightPx={5} /> : null}
      {amounts === null ? null : (
        <Figure
          asked={{ figure: 'habitAmount', habitId: asked.habitId, span: asked.span }}
          label={`${name}: ${amounts}`}
        >
          <Words type="quiet" tone="quiet">
            {amounts}
          </Words>
        </Figure>
      )}
    </View>
  );
}

const useStyles = themed(() => ({
  card: { gap: SPACE.m },
  target: { gap: SPACE.xs },
  line: { flexDirection: 'row', alignItems: 'center', gap: SPACE.s, flexWrap: 'wrap' },
  grow: { flex: 1, minWidth: 90 },
}));
