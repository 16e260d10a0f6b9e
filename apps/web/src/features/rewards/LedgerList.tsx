import {
  type DayScore,
  type DaySpan,
  type LedgerSources,
  type PlainDay,
  type Track,
  keptTogether,
  ledgerOfDay,
  scoreOn,
} from '@wimbel/core';
import { type RefObject, memo, useState } from 'react';
import { Pressable, View } from 'react-native';
import { VirtualList } from '../../components/page/VirtualList.tsx';
import { number, outOf } from '../../text/amounts.ts';
import { dayInWords, fullDate, percent } from '../../text/format.ts';
import { selectRewards } from '../../store/pipsSelectors.ts';
import { selectSettings, selectTotals, selectTracks } from '../../store/selectors.ts';
import { useAppSelector } from '../../store/store.ts';
import { themed } from '../../theme/Theme.tsx';
import { SPACE } from '../../theme/space.ts';
import { Button } from '../../ui/Button.tsx';
import { Words } from '../../ui/Words.tsx';
import { spanTitle } from '../../text/spanText.ts';
import type { Only } from './RewardHabitsSheet.tsx';
import type { LedgerRow, LedgerSpan } from './ledgerRows.ts';

/** How tall a line is before it is laid out, in pixels. */
const ROUGHLY = 58;

/** The spans of the ledger, newest first; a day opens to what its sum is made of. */
export function LedgerList({
  kind,
  rows,
  sources,
  only,
  scroll,
  onClaim,
}: {
  kind: LedgerSpan;
  rows: readonly LedgerRow[];
  sources: LedgerSources;
  only: Only | null;
  scroll: RefObject<HTMLDivElement | null>;
  onClaim: (claimId: string) => void;
}) {
  const [open, setOpen] = useState<PlainDay | null>(null);
  return (
    <VirtualList rows={rows} keyOf={({ span }) => span.first} roughPx={() => ROUGHLY} scroll={scroll}>
      {(row) => (
        <LedgerLineRow
          row={row}
          kind={kind}
          sources={sources}
          only={only}
          isOpen={open === row.span.first}
          onOpen={() => setOpen(open === row.span.first ? null : row.span.first)}
          onClaim={onClaim}
        />
      )}
    </VirtualList>
  );
}

/** A day by its score, a longer span by what was kept of some habits: as they stand everywhere. */
function figuresWords(kind: LedgerSpan, span: DaySpan, over: readonly Track[], day: DayScore): string {
  if (kind === 'day') return day.score === null ? '' : `${day.done} of ${day.due} done, ${percent(day.score)}`;
  const { kept, asked, rate } = keptTogether(over, span);
  return rate === null ? '' : `${outOf(kept, asked)} kept, ${percent(rate)}`;
}

const LedgerLineRow = memo(function LedgerLineRow({
  row: { span, earned, spent },
  kind,
  sources,
  only,
  isOpen,
  onOpen,
  onClaim,
}: {
  row: LedgerRow;
  kind: LedgerSpan;
  sources: LedgerSources;
  only: Only | null;
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
  // Of one habit alone its own record stands beside what it earned; a day's score is of all of them.
  const isOfHabit = only?.of === 'habit';
  const done =
    isOfHabit && kind === 'day'
      ? ''
      : figuresWords(kind, span, isOfHabit ? sources.tracks : tracks, scoreOn(totals, span.first, passMark));
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
          {done === '' ? null : (
            <Words type="quiet" tone="quiet">
              {done}
            </Words>
          )}
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

const useStyles = themed((colors) => ({
  grow: { flex: 1, minWidth: 0 },
  row: { borderBottomWidth: 1, borderBottomColor: colors.line },
  rowLine: { flexDirection: 'row', alignItems: 'center', gap: SPACE.m, minHeight: 56 },
  line: { flexDirection: 'row', alignItems: 'center', gap: SPACE.s, minHeight: 34, paddingLeft: SPACE.l },
}));
