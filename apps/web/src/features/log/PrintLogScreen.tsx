import {
  type PlainMonth,
  type Track,
  daysInMonth,
  entryOn,
  fillRatio,
  isActiveIn,
  type Kept,
  keptSum,
  monthFigures,
  monthOfDay,
  monthSpan,
  monthsOfYear,
  parseMonth,
  pegStateOf,
} from '@wimbel/core';
import { useLocalSearchParams, useRouter } from 'expo-router';
import ChevronLeft from 'lucide-react-native/icons/chevron-left';
import Printer from 'lucide-react-native/icons/printer';
import { useEffect } from 'react';
import { createPortal } from 'react-dom';
import { View } from 'react-native';
import Svg from 'react-native-svg';
import { monthAndYear } from '../../text/format.ts';
import { PATHS } from '../../platform/paths.ts';
import { selectEntries, selectSettings, selectToday, selectTracks } from '../../store/selectors.ts';
import { useAppSelector } from '../../store/store.ts';
import { OnPaper, themed, useTheme } from '../../theme/Theme.tsx';
import { SPACE } from '../../theme/space.ts';
import { dyeColor } from '../../theme/dye.ts';
import { Button } from '../../ui/Button.tsx';
import { IconButton } from '../../ui/IconButton.tsx';
import { PegRow } from '../../ui/PegRow.tsx';
import { keptWords } from '../../text/keptText.ts';
import { Words } from '../../ui/Words.tsx';

/** Room of an A4 page beside names and figures. */
const CELL_PX = 14;
const ROW_PX = 20;

/** The log of a month (`month`) or of all months of a year (`year`), on paper. */
export function PrintLogScreen() {
  const router = useRouter();
  const { colors } = useTheme();
  const styles = useStyles();
  const today = useAppSelector(selectToday);
  const tracks = useAppSelector(selectTracks);
  const params = useLocalSearchParams<{ month?: string; year?: string }>();
  const year = /^\d{4}$/.test(params.year ?? '') ? Number(params.year) : null;
  const months: PlainMonth[] =
    year === null ? [parseMonth(params.month ?? '') ?? monthOfDay(today)] : monthsOfYear(year);
  const shown = months.filter((month) => tracks.some((track) => isActiveIn(track, monthSpan(month))));
  const title = year === null ? monthAndYear(months[0]!) : String(year);
  // What lies below the sheet is out of reach while it is there.
  useEffect(() => {
    const below = document.getElementById('root');
    below?.setAttribute('inert', '');
    return () => below?.removeAttribute('inert');
  }, []);
  const page = (
    <div data-print="" style={{ background: colors.paper }}>
      <View dataSet={{ printTools: '' }} style={styles.tools}>
        <IconButton
          icon={ChevronLeft}
          label="Back to the log"
          onPress={() => (router.canGoBack() ? router.back() : router.replace(PATHS.log))}
        />
        <Words type="section" heading={1} style={styles.grow}>
          As it will be printed
        </Words>
        <Button kind="main" icon={<Printer size={18} color={colors.onWorking} />} onPress={() => window.print()}>
          Print
        </Button>
      </View>
      <OnPaper>
        <View dataSet={{ printFlow: '' }} style={styles.sheet}>
          <Words type="title">{`Log of ${title}`}</Words>
          {shown.length === 0 ? <Words tone="quiet">No habit has a day in it.</Words> : null}
          {shown.map((month) => (
            <MonthOnPaper key={month} month={month} tracks={tracks} isNamed={year !== null} />
          ))}
        </View>
      </OnPaper>
    </div>
  );
  return createPortal(page, document.body);
}

function MonthOnPaper({ month, tracks, isNamed }: { month: PlainMonth; tracks: readonly Track[]; isNamed: boolean }) {
  const styles = useStyles();
  const { passMark } = useAppSelector(selectSettings);
  const span = monthSpan(month);
  const own = tracks.filter((track) => isActiveIn(track, span));
  const figures = own.map((track) => monthFigures(track, month, passMark));
  const all = keptSum(figures);
  const dates = Array.from({ length: daysInMonth(month) }, (_, at) => at + 1);
  return (
    <View dataSet={{ printWhole: '' }} style={styles.month}>
      <View style={styles.line}>
        <Words type="section" heading={2} style={styles.grow}>
          {isNamed ? monthAndYear(month) : 'All habits'}
        </Words>
        <Words type="name">{keptWords(all)}</Words>
      </View>
      <View style={styles.line}>
        <View style={styles.name} />
        <View style={styles.days}>
          {dates.map((date) => (
            <Words key={date} type="small" tone="quiet" style={styles.date}>
              {String(date)}
            </Words>
          ))}
        </View>
        <View style={styles.figures} />
      </View>
      {own.map((track, at) => (
        <RowOnPaper key={track.habit.id} track={track} month={month} figures={figures[at]!} />
      ))}
    </View>
  );
}

function RowOnPaper({ track, month, figures }: { track: Track; month: PlainMonth; figures: Kept }) {
  const styles = useStyles();
  const { habit } = track;
  const { colors } = useTheme();
  const area = useAppSelector((state) => state.records.areas[habit.areaId ?? '']);
  const color = dyeColor(colors, area?.color);
  const entries = useAppSelector((state) => selectEntries(state, habit.id));
  const { first } = monthSpan(month);
  const count = daysInMonth(month);
  const pegs = Array.from({ length: count }, (_, at) => ({
    state: pegStateOf(track, first + at),
    x: at * CELL_PX + CELL_PX / 2,
    ratio: fillRatio(track, first + at, entryOn(entries, first + at)?.amount ?? null),
  }));
  const told = keptWords(figures);
  return (
    <View style={styles.line}>
      <Words type="small" numberOfLines={1} style={styles.name}>
        {habit.name}
      </Words>
      <Svg width={31 * CELL_PX} height={ROW_PX} role="img" aria-label={`${habit.name}: ${told}`}>
        <PegRow pegs={pegs} y={ROW_PX / 2} r={5} color={color} />
      </Svg>
      <Words type="small" style={styles.figures}>
        {told}
      </Words>
    </View>
  );
}

const useStyles = themed((colors) => ({
  tools: { flexDirection: 'row', alignItems: 'center', gap: SPACE.s, padding: SPACE.l, maxWidth: 760, width: '100%' },
  grow: { flex: 1, minWidth: 0 },
  sheet: {
    width: 760,
    flexShrink: 0,
    gap: SPACE.l,
    padding: SPACE.xl,
    marginBottom: SPACE.xl,
    backgroundColor: '#FFFFFF',
    borderWidth: 1,
    borderColor: colors.line,
  },
  month: { gap: 0 },
  line: { flexDirection: 'row', alignItems: 'center', gap: SPACE.s, minHeight: ROW_PX },
  name: { width: 140 },
  days: { flexDirection: 'row', width: 31 * CELL_PX },
  date: { width: CELL_PX, textAlign: 'center', fontSize: 8.5 },
  figures: { flex: 1, textAlign: 'right' },
}));
