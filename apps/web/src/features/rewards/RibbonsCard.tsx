import {
  type PlainMonth,
  daysToRibbon,
  isActiveIn,
  monthFigures,
  monthOfDay,
  monthSpan,
  monthsOfYear,
  yearOfDay,
} from '@wimbel/core';
import ChevronLeft from 'lucide-react-native/icons/chevron-left';
import ChevronRight from 'lucide-react-native/icons/chevron-right';
import { useMemo, useState } from 'react';
import { View } from 'react-native';
import Svg, { Path } from 'react-native-svg';
import { FigureWords } from '../../components/figure/Figure.tsx';
import { counted, monthAndYear, monthName } from '../../text/format.ts';
import { selectSettings, selectToday, selectTracks } from '../../store/selectors.ts';
import { useAppSelector } from '../../store/store.ts';
import { themed, useTheme } from '../../theme/Theme.tsx';
import { dyeColor } from '../../theme/dye.ts';
import { SPACE } from '../../theme/space.ts';
import { Card } from '../../ui/Card.tsx';
import { IconButton } from '../../ui/IconButton.tsx';
import { Words } from '../../ui/Words.tsx';

/** A shelf of a month's ribbons: what each habit that takes part earned, or how much it is short of. */
export function RibbonsCard() {
  const styles = useStyles();
  const { colors } = useTheme();
  const today = useAppSelector(selectToday);
  const tracks = useAppSelector(selectTracks);
  const areas = useAppSelector((state) => state.records.areas);
  const { passMark } = useAppSelector(selectSettings);
  const now = monthOfDay(today);
  const [month, setMonth] = useState<PlainMonth>(now);
  const year = yearOfDay(monthSpan(month).first);
  const rows = useMemo(
    () =>
      tracks
        .filter((track) => isActiveIn(track, monthSpan(month)))
        .map((track) => ({ track, figures: monthFigures(track, month, passMark) }))
        .filter(({ figures }) => figures.target > 0)
        .sort(
          (a, b) =>
            Number(b.figures.ribbon) - Number(a.figures.ribbon) || (b.figures.share ?? 0) - (a.figures.share ?? 0),
        ),
    [tracks, month, passMark],
  );
  const ofYear = useMemo(
    () =>
      monthsOfYear(year)
        .filter((each) => each <= now)
        .reduce(
          (sum, each) =>
            sum +
            tracks.filter((track) => isActiveIn(track, monthSpan(each)) && monthFigures(track, each, passMark).ribbon)
              .length,
          0,
        ),
    [tracks, year, now, passMark],
  );
  const earned = rows.filter(({ figures }) => figures.ribbon).length;
  return (
    <Card style={styles.card} label="Ribbons">
      <View style={styles.head}>
        <IconButton icon={ChevronLeft} label="Ribbons of the month before" onPress={() => setMonth(month - 1)} />
        <Words type="card" heading={2} style={styles.title}>
          {`Ribbons of ${monthAndYear(month)}`}
        </Words>
        <IconButton
          icon={ChevronRight}
          label="Ribbons of the month after"
          onPress={() => setMonth(month + 1)}
          isDisabled={month >= now}
        />
      </View>
      <View style={styles.sums}>
        <FigureWords
          asked={{ figure: 'ribbons', span: monthSpan(month) }}
          words={`${counted(earned, 'ribbon')} in ${monthName(month)}`}
        />
        <Words type="quiet" tone="quiet">{`${ofYear} in ${year}`}</Words>
      </View>
      {rows.length === 0 ? <Words tone="quiet">No habit took part in this month.</Words> : null}
      <View style={styles.shelf}>
        {rows.map(({ track: { habit }, figures }) => {
          const color = dyeColor(colors, areas[habit.areaId ?? '']?.color);
          const short = daysToRibbon(figures, passMark);
          const told = figures.ribbon
            ? 'earned'
            : month < now
              ? `${counted(short, 'day')} short`
              : `${counted(short, 'day')} to go`;
          return (
            <View key={habit.id} role="img" aria-label={`${habit.name}: ${told}`} style={styles.ribbon}>
              <Svg width={26} height={38} viewBox="0 0 26 38" aria-hidden>
                <Path d="M0 0H26V38L13 28L0 38Z" fill={figures.ribbon ? color : colors.hole} />
              </Svg>
              <Words type="small" style={styles.name}>
                {habit.name}
              </Words>
              {figures.ribbon ? null : (
                <Words type="small" tone="quiet" style={styles.name}>
                  {told}
                </Words>
              )}
            </View>
          );
        })}
      </View>
    </Card>
  );
}

const useStyles = themed(() => ({
  card: { gap: SPACE.s },
  head: { flexDirection: 'row', alignItems: 'center', marginHorizontal: -SPACE.m, marginVertical: -SPACE.s },
  title: { flex: 1 },
  sums: { flexDirection: 'row', flexWrap: 'wrap', justifyContent: 'space-between', columnGap: SPACE.m },
  shelf: { flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.m },
  ribbon: { width: 84, alignItems: 'center', gap: 4 },
  name: { textAlign: 'center' },
}));
