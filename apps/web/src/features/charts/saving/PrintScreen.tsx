import { useLocalSearchParams, useRouter } from 'expo-router';
import ChevronLeft from 'lucide-react-native/icons/chevron-left';
import Printer from 'lucide-react-native/icons/printer';
import { Children, type ReactNode, useEffect, useState } from 'react';
import { View, useWindowDimensions } from 'react-native';
import { createPortal } from 'react-dom';
import { selectToday } from '../../../store/selectors.ts';
import { useAppSelector } from '../../../store/store.ts';
import { fullDate } from '../../../text/format.ts';
import { OnPaper, themed, useTheme } from '../../../theme/Theme.tsx';
import { SPACE } from '../../../theme/space.ts';
import { Button } from '../../../ui/Button.tsx';
import { IconButton } from '../../../ui/IconButton.tsx';
import { Words } from '../../../ui/Words.tsx';
import { AllDays, HabitDays } from '../cards/DayCards.tsx';
import { GoalCard } from '../cards/GoalsCard.tsx';
import { CourseCard, HabitFacts, RunsCard, TrendCard } from '../cards/HabitCards.tsx';
import { RankingCard } from '../cards/RankingCard.tsx';
import { AreasCard } from '../cards/AreasCard.tsx';
import { InWords } from '../cards/InWordsCard.tsx';
import { PartsCard } from '../cards/PartsCard.tsx';
import { PartsOfDayCard } from '../cards/PartsOfDayCard.tsx';
import { WeekdaysCard } from '../cards/WeekdaysCard.tsx';
import { ShareCard } from '../cards/ShareCard.tsx';
import { type ChartParams, chartsAddress, chartsAt } from '../choice/chartAddress.ts';
import { spanTitle } from '../../../text/spanText.ts';
import { type ChartsShown, recordDaysOf, useCharts, chartedOf } from '../useCharts.ts';
import { IsPrinted } from '../../../components/figure/printed.ts';

/** Content size of an A4 page with margins of 12 mm, in pixels at 96 dpi. */
const PAGE = { widthPx: 703, heightPx: 1030 };
/** How wide the sheet is laid out before it is brought to the page: three cards side by side. */
const LAID_OUT_PX = 900;
const BESIDE_PX = 16;
/** The margin of the sheet as it is shown. */
const MARGIN_PX = 24;

/** A month or a year of charts on one sheet of paper, as it will be printed. */
export function PrintScreen() {
  const router = useRouter();
  const today = useAppSelector(selectToday);
  const at = chartsAt(useLocalSearchParams<ChartParams>(), today);
  const { shown } = useCharts(at);
  const { colors } = useTheme();
  const { width } = useWindowDimensions();
  const [tallPx, setTallPx] = useState(PAGE.heightPx);
  const fit = Math.min(PAGE.widthPx / LAID_OUT_PX, PAGE.heightPx / tallPx);
  const screen = Math.min(PAGE.widthPx / LAID_OUT_PX, (width - BESIDE_PX - 2 * MARGIN_PX) / LAID_OUT_PX);
  const styles = useStyles();
  // What lies below the sheet is out of reach while it is there.
  useEffect(() => {
    const below = document.getElementById('root');
    below?.setAttribute('inert', '');
    return () => below?.removeAttribute('inert');
  }, []);
  const sizes = {
    background: colors.paper,
    '--page-scale': fit,
    '--page-height': PAGE.heightPx,
  } as React.CSSProperties;
  const page = (
    <div data-print="" style={sizes}>
      <View dataSet={{ printTools: '' }} style={styles.tools}>
        <IconButton
          icon={ChevronLeft}
          label="Back to the charts"
          onPress={() => (router.canGoBack() ? router.back() : router.replace(chartsAddress(at, today)))}
        />
        <Words type="section" heading={1} style={styles.title}>
          As it will be printed
        </Words>
        <Button kind="main" icon={<Printer size={18} color={colors.onWorking} />} onPress={() => window.print()}>
          Print
        </Button>
      </View>
      <View
        dataSet={{ printRoom: '' }}
        style={[styles.room, { height: tallPx * screen + 2 * MARGIN_PX, width: LAID_OUT_PX * screen + 2 * MARGIN_PX }]}
      >
        <OnPaper>
          <IsPrinted.Provider value={true}>
            <Sheet shown={shown} today={today} scale={screen} onTall={(next) => setTallPx(Math.max(1, next))} />
          </IsPrinted.Provider>
        </OnPaper>
      </View>
    </div>
  );
  return createPortal(page, document.body);
}

function Sheet({
  shown,
  today,
  scale,
  onTall,
}: {
  shown: ChartsShown | null;
  today: number;
  scale: number;
  onTall: (tallPx: number) => void;
}) {
  const styles = useStyles();
  if (shown === null) return <Words tone="quiet">Working it out…</Words>;
  const { subject, tracks, review } = shown;
  const { kind, span } = shown.options;
  const days = { kind, span };
  const of = chartedOf(subject, tracks);
  const own = subject.habitId === null ? null : (tracks[0] ?? null);
  const recordDays = recordDaysOf(tracks, today);
  return (
    <View
      dataSet={{ printPage: '' }}
      onLayout={({ nativeEvent }) => onTall(nativeEvent.layout.height)}
      style={[styles.page, { transform: [{ scale }] }]}
    >
      <View style={styles.line}>
        <Words type="title" heading={2} style={styles.title}>
          {[spanTitle(kind, span, today), subject.what.of === 'all' ? '' : subject.name].filter(Boolean).join(', ')}
        </Words>
        <Words type="quiet" tone="quiet">
          Wimbel, {fullDate(today)}
        </Words>
      </View>
      <InWords kind={kind} review={review} of={of} />
      {subject.goal === null ? null : <GoalCard figured={subject.goal} />}
      {tracks.length === 0 ? null : own === null ? (
        <Beside isApart={kind === 'month'}>
          <AllDays {...days} {...of} />
          {kind === 'month' ? <ShareCard {...days} {...of} /> : null}
        </Beside>
      ) : (
        <Beside isApart={kind === 'month'}>
          <HabitDays {...days} track={own} />
          {kind === 'month' ? <CourseCard {...days} track={own} /> : null}
        </Beside>
      )}
      <View style={styles.columns}>
        <View style={styles.column}>
          <PartsCard kind={kind} review={review} of={of} />
          <WeekdaysCard kind={kind} review={review} of={of} recordDays={recordDays} />
          <PartsOfDayCard kind={kind} review={review} of={of} />
        </View>
        <View style={styles.column}>
          {own === null ? <RankingCard kind={kind} review={review} /> : <RunsCard {...days} track={own} />}
          {own === null || kind === 'month' ? null : <CourseCard {...days} track={own} />}
        </View>
        <View style={styles.column}>
          {own === null ? (
            <AreasCard kind={kind} review={review} of={of} />
          ) : (
            <>
              <TrendCard {...days} track={own} />
              <HabitFacts track={own} span={span} />
            </>
          )}
        </View>
      </View>
    </View>
  );
}

/** Cards side by side where they are apart, else the one there is over the whole width. */
function Beside({ isApart, children }: { isApart: boolean; children: ReactNode }) {
  const styles = useStyles();
  if (!isApart) return children;
  return (
    <View style={styles.columns}>
      {Children.map(children, (child) => (child === null ? null : <View style={styles.column}>{child}</View>))}
    </View>
  );
}

const useStyles = themed((colors) => ({
  tools: {
    flexDirection: 'row',
    alignItems: 'center',
    gap: SPACE.s,
    padding: SPACE.s,
    paddingRight: SPACE.l,
    maxWidth: PAGE.widthPx + 2 * MARGIN_PX,
    width: '100%',
    alignSelf: 'center',
  },
  title: { flex: 1 },
  room: {
    flexShrink: 0,
    padding: MARGIN_PX,
    marginBottom: SPACE.xl,
    backgroundColor: '#FFFFFF',
    borderWidth: 1,
    borderColor: colors.line,
  },
  page: {
    width: LAID_OUT_PX,
    gap: SPACE.m,
    padding: 1,
    backgroundColor: colors.paper,
    transformOrigin: 'top left',
  },
  line: { flexDirection: 'row', alignItems: 'baseline', gap: SPACE.l },
  columns: { flexDirection: 'row', gap: SPACE.m, alignItems: 'flex-start' },
  column: { flex: 1, minWidth: 0, gap: SPACE.m },
}));
