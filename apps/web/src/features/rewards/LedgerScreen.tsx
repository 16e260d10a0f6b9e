import { type LedgerSources, pipsByDay, pipsOver } from '@wimbel/core';
import ListFilter from 'lucide-react-native/icons/list-filter';
import { useDeferredValue, useMemo, useRef, useState } from 'react';
import { View } from 'react-native';
import { number } from '../../text/amounts.ts';
import { PATHS } from '../../platform/paths.ts';
import { selectLedgerSources, selectPipsBalance, selectPipsByDay } from '../../store/pipsSelectors.ts';
import { selectSettings, selectToday } from '../../store/selectors.ts';
import { useAppSelector } from '../../store/store.ts';
import { themed, useIsWide } from '../../theme/Theme.tsx';
import { SPACE } from '../../theme/space.ts';
import { Card } from '../../ui/Card.tsx';
import { EmptyState } from '../../ui/EmptyState.tsx';
import { IconButton } from '../../ui/IconButton.tsx';
import { PageHead } from '../../ui/PageHead.tsx';
import { Segments } from '../../ui/Segments.tsx';
import { Words } from '../../ui/Words.tsx';
import { pipsWords } from '../../text/pipsText.ts';
import { ByMonthCard } from './ByMonthCard.tsx';
import { ClaimSheet } from './ClaimSheet.tsx';
import { LedgerList } from './LedgerList.tsx';
import { type Only, OnlyChip, OnlySheet } from './RewardHabitsSheet.tsx';
import { LEDGER_SPANS, type LedgerSpan, ledgerRows } from './ledgerRows.ts';

const SPAN_NAMES: Record<LedgerSpan, string> = {
  day: 'Day',
  week: 'Week',
  month: 'Month',
  quarter: 'Quarter',
  year: 'Year',
};

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
      <LedgerList kind={kind} rows={rows} sources={sources} only={only} scroll={scroll} onClaim={setChanged} />
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

const useStyles = themed(() => ({
  page: { padding: SPACE.l, paddingBottom: SPACE.xxl, gap: SPACE.l },
  wide: { paddingHorizontal: SPACE.xxl, paddingVertical: SPACE.xl, maxWidth: 1160, width: '100%' },
  columns: { flexDirection: 'row', gap: SPACE.xl, alignItems: 'flex-start' },
  main: { flex: 5, minWidth: 0, gap: SPACE.l },
  side: { flex: 4, minWidth: 0 },
  sums: { gap: 2 },
}));
