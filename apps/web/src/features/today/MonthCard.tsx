import {
  type PlainDay,
  aliveRun,
  dayCounts,
  fullDayRuns,
  isActiveIn,
  keptTogether,
  longestRun,
  monthFigures,
  monthOfDay,
  monthSpan,
} from '@wimbel/core';
import { View } from 'react-native';
import { selectHidesStreaks, selectSettings, selectToday, selectTotals, selectTracks } from '../../store/selectors.ts';
import { useAppSelector } from '../../store/store.ts';
import { counted, monthName, percent } from '../../shared/format.ts';
import { themed, useTheme } from '../../theme/Theme.tsx';
import { SPACE } from '../../theme/space.ts';
import { Card } from '../../ui/Card.tsx';
import { ProgressBar } from '../../ui/ProgressBar.tsx';
import { Words } from '../../ui/Words.tsx';

/** How the month of a day stands over all habits. */
export function MonthCard({ day }: { day: PlainDay }) {
  const styles = useStyles();
  const { colors } = useTheme();
  const tracks = useAppSelector(selectTracks);
  const today = useAppSelector(selectToday);
  const { passMark } = useAppSelector(selectSettings);
  const hidesStreaks = useAppSelector(selectHidesStreaks);
  const month = monthOfDay(day);
  const span = monthSpan(month);
  const totals = useAppSelector(selectTotals);
  const active = tracks.filter((track) => isActiveIn(track, span));
  const { kept, asked, rate: share } = keptTogether(active, span);
  const ribbons = active.filter((track) => monthFigures(track, month, passMark).ribbon).length;
  const { fullDays, brightDays } = dayCounts(totals, span, passMark);
  const runs = fullDayRuns(totals);
  const rows: [string, string][] = [
    ['Full days in a row', String(aliveRun(runs)?.length ?? 0)],
    ['Longest such row', counted(longestRun(runs)?.length ?? 0, 'day')],
  ];
  const lines: [string, string][] = [
    ['Full days', String(fullDays)],
    ['Bright days', String(brightDays)],
    ['Ribbons', String(ribbons)],
    ...(hidesStreaks ? [] : rows),
  ];
  return (
    <Card style={styles.card}>
      <Words type="card" heading={2}>
        {monthName(month)}
      </Words>
      <View style={styles.share}>
        <Words type="title">{percent(share)}</Words>
        <Words type="quiet" tone="quiet">
          {kept} of {asked} so far
        </Words>
      </View>
      <ProgressBar ratio={share ?? 0} color={colors.working} label={`${kept} of ${asked} asked so far`} heightPx={7} />
      {lines.map(([name, value]) => (
        <View key={name} style={styles.line}>
          <Words type="quiet" tone="quiet">
            {name}
          </Words>
          <Words type="label">{value}</Words>
        </View>
      ))}
    </Card>
  );
}

const useStyles = themed(() => ({
  card: { gap: SPACE.s },
  share: { flexDirection: 'row', alignItems: 'baseline', gap: SPACE.s, flexWrap: 'wrap' },
  line: { flexDirection: 'row', justifyContent: 'space-between', gap: SPACE.s },
}));
