import {
  type PlainDay,
  aliveRun,
  dayCounts,
  fullDayRuns,
  isActiveIn,
  keptTogether,
  longestRun,
  monthOfDay,
  monthSpan,
  figuresAgainst,
  monthTargetOf,
  earnsRibbon,
} from '@wimbel/core';
import { View } from 'react-native';
import { outOf } from '../../text/amounts.ts';
import { selectHidesStreaks, selectSettings, selectToday, selectTotals, selectTracks } from '../../store/selectors.ts';
import { useAppSelector, useDeferredSelector } from '../../store/store.ts';
import { capital, counted, monthName, percent, dayAndMonth } from '../../text/format.ts';
import { themed, useTheme } from '../../theme/Theme.tsx';
import { SPACE } from '../../theme/space.ts';
import { Card } from '../../ui/Card.tsx';
import { ProgressBar } from '../../ui/ProgressBar.tsx';
import { Words } from '../../ui/Words.tsx';
import { Figure, FigureWords } from '../../components/figure/Figure.tsx';
import { keptWords } from '../../text/keptText.ts';
import type { Fact } from '../../text/habitFacts.ts';
import { Facts } from '../../components/figure/Facts.tsx';
import { fullDaysAimedAt } from '../../text/fullDaysAimed.ts';

/** How the month of a day stands over all habits, as seen on that day. */
export function MonthCard({ day }: { day: PlainDay }) {
  const styles = useStyles();
  const { colors } = useTheme();
  const tracks = useDeferredSelector(selectTracks);
  const today = useAppSelector(selectToday);
  const { passMark, fullDayTarget } = useAppSelector(selectSettings);
  const hidesStreaks = useAppSelector(selectHidesStreaks);
  const month = monthOfDay(day);
  const whole = monthSpan(month);
  const span = { first: whole.first, last: Math.min(day, whole.last) };
  const totals = useDeferredSelector(selectTotals);
  const active = tracks.filter((track) => isActiveIn(track, whole));
  const { kept, asked, rate: share } = keptTogether(active, span);
  const ribbons = active.filter((track) => {
    const { share: own } = figuresAgainst(track, span, monthTargetOf(track, month));
    return earnsRibbon(track, month, own, passMark);
  }).length;
  const { fullDays, brightDays } = dayCounts(totals, span, passMark);
  const runs = fullDayRuns(totals, day);
  const [current, longest] = [aliveRun(runs)?.length ?? 0, longestRun(runs)?.length ?? 0];
  const told =
    asked === 0 ? 'nothing settled yet' : `${outOf(kept, asked)} due ${day === today ? 'so far' : 'by then'}`;
  const before = monthSpan(month - 1);
  const keptBefore = asked === 0 ? keptTogether(tracks, before) : null;
  const aim = fullDaysAimedAt('month', fullDayTarget);
  const full = aim === undefined ? String(fullDays) : `${fullDays} of ${aim} aimed at`;
  const lines: Fact[] = [
    ['Full days', full, { figure: 'fullDays', span }],
    ['Bright days', String(brightDays), { figure: 'brightDays', span }],
    ['Ribbons', String(ribbons), day === today ? { figure: 'ribbons', span: whole } : null],
    ...(hidesStreaks
      ? []
      : ([
          [
            'Full days in a row',
            String(current),
            current === 0 ? null : { figure: 'fullDayRun', which: 'current', until: day },
          ],
          [
            'Longest such row',
            counted(longest, 'day'),
            longest === 0 ? null : { figure: 'fullDayRun', which: 'longest', until: day },
          ],
        ] satisfies Fact[])),
  ];
  return (
    <Card style={styles.card}>
      <Words type="card" heading={2}>
        {monthName(month)}
        {day === today ? '' : ` up to ${dayAndMonth(day)}`}
      </Words>
      <Figure asked={{ figure: 'kept', span }} label={`${told}, ${percent(share)}`}>
        <View style={styles.share}>
          {share === null ? null : <Words type="title">{percent(share)}</Words>}
          <Words type="quiet" tone="quiet">
            {capital(told)}
          </Words>
        </View>
      </Figure>
      {keptBefore === null || keptBefore.rate === null ? null : (
        <FigureWords
          asked={{ figure: 'kept', span: before }}
          words={`${monthName(month - 1)}: ${keptWords(keptBefore)}`}
        />
      )}
      <ProgressBar ratio={share ?? 0} color={colors.working} label={told} heightPx={7} />
      <Facts facts={lines} />
    </Card>
  );
}

const useStyles = themed(() => ({
  card: { gap: SPACE.s },
  share: { flexDirection: 'row', alignItems: 'baseline', gap: SPACE.s, flexWrap: 'wrap' },
}));
