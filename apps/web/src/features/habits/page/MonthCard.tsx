import { type PlainDay, setDaysOf, monthFigures, monthOfDay, monthSpan } from '@wimbel/core';
import Bookmark from 'lucide-react-native/icons/bookmark';
import ChevronLeft from 'lucide-react-native/icons/chevron-left';
import ChevronRight from 'lucide-react-native/icons/chevron-right';
import { useState } from 'react';
import { View } from 'react-native';
import { selectSettings } from '../../../store/selectors.ts';
import { useAppSelector } from '../../../store/store.ts';
import { keptWords, targetWords } from '../../../text/keptText.ts';
import { amount, amountOf, readable, outOf } from '../../../text/amounts.ts';
import { monthAndYear, percent } from '../../../text/format.ts';
import { themed, useTheme } from '../../../theme/Theme.tsx';
import { SPACE } from '../../../theme/space.ts';
import { Button } from '../../../ui/Button.tsx';
import { Card } from '../../../ui/Card.tsx';
import { CardHead } from '../../../ui/CardHead.tsx';
import { IconButton } from '../../../ui/IconButton.tsx';
import { ProgressBar } from '../../../ui/ProgressBar.tsx';
import { Words } from '../../../ui/Words.tsx';
import { MonthCalendar } from './MonthCalendar.tsx';
import { Figure } from '../../../components/figure/Figure.tsx';
import type { Props } from './KeptCard.tsx';

/** A month of the habit as a calendar, with what was kept of it, and its target where one is set. */
export function MonthCard({
  track,
  color,
  hasCords,
  onOpen,
}: Props & { hasCords: boolean; onOpen: (day: PlainDay) => void }) {
  const styles = useStyles();
  const { colors } = useTheme();
  const { passMark } = useAppSelector(selectSettings);
  const current = monthOfDay(track.today);
  const [month, setMonth] = useState(current);
  const figures = monthFigures(track, month, passMark);
  const { actual, left, rate, ribbon, amount: sum, amountTarget, weeklyAmountTarget } = figures;
  const set = setDaysOf(track, month);
  const unit = track.habit.measure.kind === 'amount' ? track.habit.measure.unit : '';
  const sumWords =
    sum === undefined
      ? null
      : amountTarget === null || amountTarget === undefined
        ? `${amount(sum, unit)} in all`
        : `${amountOf(sum, amountTarget, unit)}${weeklyAmountTarget ? `, about ${amount(readable(weeklyAmountTarget), unit)} a week` : ''}`;
  return (
    <Card label="Month" style={styles.card}>
      <CardHead
        title={monthAndYear(month)}
        aside={
          <View style={styles.arrows}>
            {month === current ? null : (
              <Button kind="bare" onPress={() => setMonth(current)}>
                Now
              </Button>
            )}
            <IconButton icon={ChevronLeft} label="The month before" onPress={() => setMonth(month - 1)} />
            <IconButton icon={ChevronRight} label="The month after" onPress={() => setMonth(month + 1)} />
          </View>
        }
      />
      <MonthCalendar track={track} month={month} color={color} hasCords={hasCords} onOpen={onOpen} />
      <View role="status" aria-label="The month in figures" style={styles.figures}>
        <Figure
          asked={{ figure: 'habitKept', habitId: track.habit.id, span: monthSpan(month) }}
          label={keptWords(figures)}
        >
          <View style={styles.figures}>
            <Words type="section">{percent(rate)}</Words>
            <Words tone="quiet">
              {rate === null ? 'nothing due yet' : `${outOf(figures.kept, figures.asked)} kept`}
            </Words>
          </View>
        </Figure>
        <View style={styles.grow} />
        {ribbon ? (
          <View role="img" aria-label="Ribbon" style={styles.arrows}>
            <Bookmark size={16} color={colors.brass} fill={colors.brass} />
            <Words type="label" tone="brassText">
              ribbon
            </Words>
          </View>
        ) : null}
      </View>
      <ProgressBar ratio={rate ?? 0} color={color} label={keptWords(figures)} heightPx={6} />
      {set === null ? null : (
        <Figure
          asked={{ figure: 'habitTarget', habitId: track.habit.id, kind: 'month', span: monthSpan(month) }}
          label={targetWords(actual, set, left, month < current)}
        >
          <Words type="quiet" tone="quiet">
            {targetWords(actual, set, left, month < current)}
          </Words>
        </Figure>
      )}
      {sumWords === null ? null : (
        <Figure asked={{ figure: 'habitAmount', habitId: track.habit.id, span: monthSpan(month) }} label={sumWords}>
          <Words type="quiet" tone="quiet">
            {sumWords}
          </Words>
        </Figure>
      )}
    </Card>
  );
}

const useStyles = themed(() => ({
  card: { gap: SPACE.m },
  arrows: { flexDirection: 'row', alignItems: 'center' },
  figures: { flexDirection: 'row', alignItems: 'baseline', gap: SPACE.s },
  grow: { flex: 1, minWidth: 0 },
}));
