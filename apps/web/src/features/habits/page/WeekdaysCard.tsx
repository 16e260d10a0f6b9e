import { WEEKDAYS, keptByWeekday } from '@wimbel/core';
import { outOf } from '../../../text/amounts.ts';
import { capital, percent } from '../../../text/format.ts';
import { themed, useTheme } from '../../../theme/Theme.tsx';
import { SPACE } from '../../../theme/space.ts';
import { BarsAcross } from '../../../ui/BarsAcross.tsx';
import { Card } from '../../../ui/Card.tsx';
import { CardHead } from '../../../ui/CardHead.tsx';
import { useExplainFigure } from '../../../components/figure/FigureHost.tsx';
import type { Props } from './KeptCard.tsx';

/** Kept of asked by weekday over twelve weeks, for terms that name days. */
export function WeekdaysCard({ track, color }: Props) {
  const styles = useStyles();
  const { colors } = useTheme();
  const ask = useExplainFigure();
  const byWeekday = keptByWeekday(track);
  const begins = WEEKDAYS.indexOf(track.weekStart);
  const weekdays = WEEKDAYS.map((_, index) => WEEKDAYS[(begins + index) % 7]!);
  if (weekdays.every((each) => byWeekday[each].asked === 0)) return null;
  return (
    <Card label="Weekdays" style={styles.card}>
      <CardHead title="Weekdays" aside="kept, last 12 weeks" />
      <BarsAcross
        label="Kept by weekday"
        markColor={colors.brass}
        bars={weekdays.map((each) => {
          const { kept, asked, rate } = byWeekday[each];
          return {
            key: each,
            label: capital(each).slice(0, 2),
            value: asked === 0 ? '–' : `${kept}/${asked}`,
            words: `${capital(each)}: ${asked === 0 ? 'nothing due' : `${outOf(kept, asked)}, ${percent(rate)}`}`,
            ratio: rate,
            color,
            ...(asked === 0
              ? {}
              : {
                  onPress: () =>
                    ask({
                      figure: 'habitKeptOnWeekday',
                      habitId: track.habit.id,
                      weekday: WEEKDAYS.indexOf(each),
                      span: { first: track.today - 83, last: track.today },
                    }),
                }),
          };
        })}
      />
    </Card>
  );
}

const useStyles = themed(() => ({
  card: { gap: SPACE.m },
}));
