import {
  type DayScore,
  type DaySpan,
  type LedgerSources,
  type Track,
  type PipsByDay,
  type PlainDay,
  formatMonth,
  keptTogether,
  ledgerOfDay,
  monthOfDay,
  pipsByDay,
  pipsOver,
  scoreOn,
} from '@wimbel/core';
import { useVirtualizer } from '@tanstack/react-virtual';
import ListFilter from 'lucide-react-native/icons/list-filter';
import { memo, useCallback, useDeferredValue, useEffect, useMemo, useRef, useState } from 'react';
import { Pressable, View } from 'react-native';
import { BarsAcross } from '../../ui/BarsAcross.tsx';
import { number } from '../../shared/amounts.ts';
import { dayInWords, fullDate, monthAbbreviation, monthAndYear, percent } from '../../shared/format.ts';
import { PATHS } from '../../shared/paths.ts';
import { selectLedgerSources, selectPipsBalance, selectPipsByDay, selectRewards } from '../../store/pips.ts';
import { selectHabits, selectSettings, selectToday, selectTotals, selectTracks } from '../../store/selectors.ts';
import { useAppSelector } from '../../store/store.ts';
import { themed, useIsWide, useTheme } from '../../theme/Theme.tsx';
import { SPACE } from '../../theme/space.ts';
import { Button } from '../../ui/Button.tsx';
import { Card } from '../../ui/Card.tsx';
import { CardHead } from '../../ui/CardHead.tsx';
import { Chips } from '../../ui/Chips.tsx';
import { EmptyState } from '../../ui/EmptyState.tsx';
import { Labelled } from '../../ui/Field.tsx';
import { IconButton } from '../../ui/IconButton.tsx';
import { PageHead } from '../../ui/PageHead.tsx';
import { Segments } from '../../ui/Segments.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { Words } from '../../ui/Words.tsx';
import { pipsWords } from '../../words/pips.ts';
import { spanTitle } from '../../words/spanWords.ts';
import { ClaimSheet } from './ClaimSheet.tsx';
import { LEDGER_SPANS, type LedgerRow, type LedgerSpan, ledgerRows } from './ledgerRows.ts';

const SPAN_NAMES: Record<LedgerSpan, string> = {
  day: 'Day',
  week: 'Week',
  month: 'Month',
  quarter: 'Quarter',
  year: 'Year',
};

/** Only what one habit earned, or what one reward cost. */
type Only = { of: 'habit' | 'reward'; id: string };

function useSources(only: Only | null): LedgerSources {
  const all = useAppSelector(selectLedgerSources);
  return useMemo(() => {
    if (only === null) return all;
    const isHabit = only.of === 'habit';
    return {
      ...all,
      tracks: isHabit ? all.tracks.filter(({ habit }) => habit.id === only.id) : [],
      milestones: [],
      claims: isHabit ? [] : all.claims.filter(({ rewardId }) => rewardId === only.id),
    };
  }, [all, only]);
}

/** Everything earned and spent, summed by day, week, month, quarter or year, newest first. */
export function LedgerScreen() {
  const styles = useStyles();
  const isWide = useIsWide();
  const scroll = useRef<HTMLDivElement>(null);
  const today = useAppSelector(selectToday);
  const { weekStart } = useAppSelector(selectSettings);
  const [kind, setKind] = useState<LedgerSpan>('day');
  const [only, setOnly] = useState<Only | null>(null);
  const [isChoosing, setIsChoosing] = useState(false);
  const [changed, setChanged] = useState<string | null>(null);
  const sources = useSources(only);
  const whole = useAppSelector(selectPipsByDay);
  const byDay = useMemo(() => (only === null ? whole : pipsByDay(sources)), [only, whole, sources]);
  // The page is there at once; the list and the picture follow without holding up anything.
  const deferred = useDeferredValue(byDay, null);
  const rows = useMemo(
    () => (deferred === null ? null : ledgerRows(deferred, kind, today, weekStart)),
    [deferred, kind, today, weekStart],
  );
  const sums = pipsOver(byDay, { first: byDay.first, last: today });
  const byMonth = deferred === null ? null : <ByMonthCard byDay={deferred} today={today} />;
  const list =
    rows === null ? null : rows.length === 0 ? (
      <EmptyState
        title="Nothing earned or spent yet"
        text="What done days earn, and what rewards cost, stands here day by day."
      />
    ) : (
      <LedgerList kind={kind} rows={rows} sources={sources} scroll={scroll} onClaim={setChanged} />
    );
  return (
    <div ref={scroll} style={SCROLL} data-scroll="ledger">
      <View style={[styles.page, isWide && styles.wide]}>
        <PageHead title="Earned and spent" backTo={PATHS.rewards}>
          <IconButton
            icon={ListFilter}
            name="Only one"
            label="Only one habit or reward"
            onPress={() => setIsChoosing(true)}
          />
        </PageHead>
        <Segments<LedgerSpan>
          label="Summed by"
          value={kind}
          choices={LEDGER_SPANS.map((value) => ({ value, label: SPAN_NAMES[value] }))}
          onChange={setKind}
        />
        <OnlyChip only={only} onAll={() => setOnly(null)} />
        <View style={isWide && styles.columns}>
          <View style={styles.main}>
            <InAll sums={sums} isAll={only === null} />
            {isWide ? null : byMonth}
            {list}
          </View>
          {isWide ? <View style={styles.side}>{byMonth}</View> : null}
        </View>
      </View>
      {isChoosing ? (
        <OnlySheet
          only={only}
          onChoose={(next) => {
            setOnly(next);
            setIsChoosing(false);
          }}
          onClose={() => setIsChoosing(false)}
        />
      ) : null}
      {changed === null ? null : <ClaimSheet claimId={changed} onClose={() => setChanged(null)} />}
    </div>
  );
}

const SCROLL = { flex: 1, minHeight: 0, overflowY: 'auto', overflowX: 'hidden' } as const;

/** All of it: earned, spent, and what is left. */
function InAll({ sums, isAll }: { sums: { earned: number; spent: number }; isAll: boolean }) {
  const styles = useStyles();
  const settings = useAppSelector(selectSettings);
  const balance = useAppSelector(selectPipsBalance);
  return (
    <Card style={styles.sums} label="In all">
      <Words type="strong">{`In all: ${number(sums.earned)} earned, ${number(sums.spent)} spent`}</Words>
      {isAll ? (
        <Words tone="quiet">
          {balance < 0 ? `${pipsWords(settings, -balance)} below zero` : `${pipsWords(settings, balance)} left`}
        </Words>
      ) : null}
    </Card>
  );
}

const MOST_MONTHS = 12;

/** Earned against spent, by month, over a year. */
function ByMonthCard({ byDay, today }: { byDay: PipsByDay; today: PlainDay }) {
  const { colors } = useTheme();
  const isWide = useIsWide();
  const months = useMemo(() => {
    const now = monthOfDay(today);
    return ledgerRows(byDay, 'month', today, 'monday')
      .filter(({ span }) => monthOfDay(span.first) > now - MOST_MONTHS)
      .reverse();
  }, [byDay, today]);
  if (months.length === 0) return null;
  const most = Math.max(1, ...months.flatMap(({ earned, spent }) => [earned, spent]));
  const bar = (row: LedgerRow, what: 'earned' | 'spent', color: string) => {
    const month = monthOfDay(row.span.first);
    return {
      key: `${what} ${formatMonth(month)}`,
      label: isWide ? monthAbbreviation(month) : monthAbbreviation(month).slice(0, 1),
      value: number(Math.round(row[what])),
      words: `${monthAndYear(month)}: ${number(row[what])} ${what}`,
      ratio: row[what] / most,
      color,
    };
  };
  return (
    <Card style={{ gap: SPACE.m }} label="By month">
      <CardHead title="By month" aside="earned above, spent below" />
      <BarsAcross
        label="Earned by month"
        bars={months.map((row) => bar(row, 'earned', colors.brass))}
        markColor={colors.rim}
      />
      <BarsAcross
        label="Spent by month"
        bars={months.map((row) => bar(row, 'spent', colors.working))}
        markColor={colors.rim}
      />
    </Card>
  );
}

function LedgerList({
  kind,
  rows,
  sources,
  scroll,
  onClaim,
}: {
  kind: LedgerSpan;
  rows: readonly LedgerRow[];
  sources: LedgerSources;
  scroll: React.RefObject<HTMLDivElement | null>;
  onClaim: (claimId: string) => void;
}) {
  const list = useRef<HTMLDivElement>(null);
  const [topPx, setTopPx] = useState(0);
  const [open, setOpen] = useState<PlainDay | null>(null);
  useEffect(() => setTopPx(list.current?.offsetTop ?? 0), [kind, sources]);
  // Nothing here is handed on to what is memoised.
  // eslint-disable-next-line react-hooks/incompatible-library
  const virtual = useVirtualizer({
    count: rows.length,
    getScrollElement: () => scroll.current,
    estimateSize: () => 58,
    getItemKey: useCallback((index: number) => rows[index]!.span.first, [rows]),
    overscan: 6,
    scrollMargin: topPx,
  });
  return (
    <div ref={list} style={{ position: 'relative', height: virtual.getTotalSize() }}>
      {virtual.getVirtualItems().map((item) => {
        const row = rows[item.index]!;
        return (
          <div
            key={item.key}
            data-index={item.index}
            ref={virtual.measureElement}
            style={{
              position: 'absolute',
              top: 0,
              left: 0,
              right: 0,
              transform: `translateY(${item.start - topPx}px)`,
            }}
          >
            <LedgerLineRow
              row={row}
              kind={kind}
              sources={sources}
              isOpen={open === row.span.first}
              onOpen={() => setOpen(open === row.span.first ? null : row.span.first)}
              onClaim={onClaim}
            />
          </div>
        );
      })}
    </div>
  );
}

/** A day by its score, a longer span by what was kept: as they stand everywhere. */
function figuresWords(kind: LedgerSpan, span: DaySpan, tracks: readonly Track[], day: DayScore): string {
  if (kind === 'day') return day.score === null ? '' : `${day.done} of ${day.due} done, ${percent(day.score)}`;
  const { kept, asked, rate } = keptTogether(tracks, span);
  return rate === null ? '' : `${kept} of ${asked} kept, ${percent(rate)}`;
}

const LedgerLineRow = memo(function LedgerLineRow({
  row: { span, earned, spent },
  kind,
  sources,
  isOpen,
  onOpen,
  onClaim,
}: {
  row: LedgerRow;
  kind: LedgerSpan;
  sources: LedgerSources;
  isOpen: boolean;
  onOpen: () => void;
  onClaim: (claimId: string) => void;
}) {
  const styles = useStyles();
  const { today } = sources;
  const tracks = useAppSelector(selectTracks);
  const totals = useAppSelector(selectTotals);
  const { passMark } = useAppSelector(selectSettings);
  const title =
    kind === 'day'
      ? today - span.first < 200
        ? dayInWords(span.first)
        : fullDate(span.first)
      : spanTitle(kind, span, today);
  const done = figuresWords(kind, span, tracks, scoreOn(totals, span.first, passMark));
  const sums = [earned > 0 ? `+${number(earned)}` : '', spent > 0 ? `\u2212${number(spent)}` : '']
    .filter(Boolean)
    .join('  ');
  const told = [earned > 0 ? `${number(earned)} earned` : '', spent > 0 ? `${number(spent)} spent` : '', done].filter(
    Boolean,
  );
  return (
    <View style={styles.row}>
      <Pressable
        role={kind === 'day' ? 'button' : undefined}
        aria-expanded={kind === 'day' ? isOpen : undefined}
        aria-label={`${title}: ${told.join(', ')}`}
        disabled={kind !== 'day'}
        onPress={onOpen}
        style={styles.rowLine}
      >
        <View style={styles.grow}>
          <Words type="name">{title}</Words>
          <Words type="quiet" tone="quiet">
            {done}
          </Words>
        </View>
        <Words type="strong" tone={spent > earned ? 'ink' : 'brassText'}>
          {sums}
        </Words>
      </Pressable>
      {isOpen && kind === 'day' ? <LinesOfDay day={span.first} sources={sources} onClaim={onClaim} /> : null}
    </View>
  );
});

/** What a day's sum is made of; a claim is changed from here. */
function LinesOfDay({
  day,
  sources,
  onClaim,
}: {
  day: PlainDay;
  sources: LedgerSources;
  onClaim: (claimId: string) => void;
}) {
  const styles = useStyles();
  const habits = useAppSelector((state) => state.records.habits);
  const milestones = useAppSelector((state) => state.records.milestones);
  const rewards = useAppSelector(selectRewards);
  return ledgerOfDay(sources, day).map(({ kind, id, ofId, pips }) => {
    const name =
      kind === 'habit'
        ? (habits[ofId]?.name ?? '')
        : kind === 'milestone'
          ? (milestones[ofId]?.title ?? '')
          : (rewards[ofId]?.title ?? '');
    return (
      <View key={`${kind} ${id}`} style={styles.line}>
        <Words type="quiet" style={styles.grow}>
          {name}
        </Words>
        <Words type="label">{pips < 0 ? `\u2212${number(-pips)}` : `+${number(pips)}`}</Words>
        {kind === 'claim' ? (
          <Button kind="bare" label={`Change the claim of ${name}`} onPress={() => onClaim(id)}>
            Change
          </Button>
        ) : null}
      </View>
    );
  });
}

function OnlyChip({ only, onAll }: { only: Only | null; onAll: () => void }) {
  const name = useAppSelector((state) =>
    only === null
      ? ''
      : only.of === 'habit'
        ? (state.records.habits[only.id]?.name ?? '')
        : (state.records.rewards[only.id]?.title ?? ''),
  );
  if (only === null) return null;
  return (
    <Chips
      label="Only this; a tap shows everything again"
      isMultiple
      chips={[{ value: only.id, label: name }]}
      chosen={[only.id]}
      onPress={onAll}
    />
  );
}

function OnlySheet({
  only,
  onChoose,
  onClose,
}: {
  only: Only | null;
  onChoose: (only: Only | null) => void;
  onClose: () => void;
}) {
  const habits = useAppSelector(selectHabits).filter(({ terms }) => terms.some(({ pips }) => (pips ?? 0) > 0));
  const rewards = Object.values(useAppSelector(selectRewards)).sort((a, b) => a.order - b.order);
  const chosen = only === null ? [] : [only.id];
  return (
    <Sheet title="Only one" onClose={onClose}>
      <Labelled label="What a habit earned">
        <Chips
          label="A habit"
          chips={habits.map(({ id, name }) => ({ value: id, label: name }))}
          chosen={chosen}
          onPress={(id) => onChoose({ of: 'habit', id })}
        />
      </Labelled>
      {rewards.length === 0 ? null : (
        <Labelled label="What a reward cost">
          <Chips
            label="A reward"
            chips={rewards.map(({ id, title }) => ({ value: id, label: title }))}
            chosen={chosen}
            onPress={(id) => onChoose({ of: 'reward', id })}
          />
        </Labelled>
      )}
      <Button onPress={() => onChoose(null)}>Everything</Button>
    </Sheet>
  );
}

const useStyles = themed((colors) => ({
  page: { padding: SPACE.l, paddingBottom: SPACE.xxl, gap: SPACE.l },
  wide: { paddingHorizontal: SPACE.xxl, paddingVertical: SPACE.xl, maxWidth: 1160, width: '100%' },
  columns: { flexDirection: 'row', gap: SPACE.xl, alignItems: 'flex-start' },
  main: { flex: 5, minWidth: 0, gap: SPACE.l },
  side: { flex: 4, minWidth: 0 },
  sums: { gap: 2 },
  grow: { flex: 1, minWidth: 0 },
  row: { borderBottomWidth: 1, borderBottomColor: colors.line },
  rowLine: { flexDirection: 'row', alignItems: 'center', gap: SPACE.m, minHeight: 56 },
  line: { flexDirection: 'row', alignItems: 'center', gap: SPACE.s, minHeight: 34, paddingLeft: SPACE.l },
}));
