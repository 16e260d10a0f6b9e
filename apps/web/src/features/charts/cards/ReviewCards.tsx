import {
  type DaySpan,
  type Kept,
  type ReviewSpan,
  type SpanReview,
  WEEKDAYS,
  holdsDay,
  isAtLeast,
  keptTogether,
  reviewFacts,
  streakUnitOn,
  weeksMetIn,
  type ReviewFact,
  type PartOfDay,
} from '@wimbel/core';
import { useRouter } from 'expo-router';
import { useContext, useMemo } from 'react';
import { View } from 'react-native';
import { AreasRingPicture } from '../../../charts/AreasRingPicture.tsx';
import { BarsPicture } from '../../../charts/BarsPicture.tsx';
import { useMarks } from '../../../charts/useMarks.ts';
import { selectAreas, selectSettings, selectToday } from '../../../store/selectors.ts';
import { useAppSelector } from '../../../store/store.ts';
import { number, outOf } from '../../../text/amounts.ts';
import { PART_WORDS, counted, percent } from '../../../text/format.ts';
import { themed, useIsWide, useTheme } from '../../../theme/Theme.tsx';
import { dyeColor } from '../../../theme/dye.ts';
import { SPACE } from '../../../theme/space.ts';
import { PATHS } from '../../../platform/paths.ts';
import { Button } from '../../../ui/Button.tsx';
import { Words } from '../../../ui/Words.tsx';
import { weeksMetWords } from '../../../text/weekText.ts';
import { PlaceBadge } from '../choice/PlaceBadge.tsx';
import { ChartCard } from './ChartCard.tsx';
import { MarkWords } from './MarkWords.tsx';
import { areasFigures, keptFigures, partsFigures } from './chartFigures.ts';
import { PARTS_WORDS, factWords, partWords, weekdayTitle, weekdaysFrom } from '../chartWords.ts';
import { beforeWords, spanTitle } from '../../../text/spanText.ts';
import { type ChartedOf, keptAsked, keptOnWeekdayAsked } from '../chartedOf.ts';
import { FigureWords } from '../../../components/figure/Figure.tsx';
import type { FigureQuery } from '../../../text/figureQuery.ts';
import { IsPrinted } from '../../../components/figure/printed.ts';

export type ReviewProps = { kind: ReviewSpan; review: SpanReview; of: ChartedOf };

/** What changed most, in plain sentences with their numbers. */
export function InWords({ kind, review, of }: ReviewProps) {
  const styles = useStyles();
  const today = useAppSelector(selectToday);
  const habits = useAppSelector((state) => state.records.habits);
  const facts = reviewFacts(review);
  if (facts.length === 0) return <NothingSettled kind={kind} review={review} of={of} />;
  return (
    <View role="note" aria-label="In words" style={styles.facts}>
      {facts.map((fact, index) => (
        <FigureWords
          key={index}
          asked={factAsked(fact, review, of)}
          words={factWords(fact, kind, (id) => habits[id]?.name ?? '', today)}
          type={index === 0 ? 'name' : 'body'}
        />
      ))}
    </View>
  );
}

/** A span in which nothing is settled yet says so, and how the one before it stood. */
function NothingSettled({ kind, review: { span, before }, of }: ReviewProps) {
  const today = useAppSelector(selectToday);
  const isRunning = holdsDay(span, today);
  const kept = before === null ? null : keptTogether(of.tracks, before);
  if (!isRunning || kept === null || kept.rate === null)
    return <Words tone="quiet">{isRunning ? 'Nothing is settled yet.' : 'Nothing was due in this span.'}</Words>;
  const words = `${spanTitle(kind, before!, today)}: ${percent(kept.rate)} kept, ${outOf(kept.kept, kept.asked)}.`;
  return (
    <View role="note" aria-label="In words">
      <Words type="name">Nothing is settled yet.</Words>
      <FigureWords asked={keptAsked(of, before!)} words={words} type="body" />
    </View>
  );
}

/** The figure that a fact shows. */
function factAsked(fact: ReviewFact, { span }: SpanReview, of: ChartedOf): FigureQuery {
  switch (fact.kind) {
    case 'kept':
      return keptAsked(of, span);
    case 'weekday':
      return keptOnWeekdayAsked(of, span, fact.weekday);
    case 'partOfDay':
      return partOfDayAsked(of, span, fact.part);
    case 'habit':
      return { figure: 'habitKept', habitId: fact.habitId, span };
    case 'run': {
      const { habitId, length, first, last } = fact;
      return { figure: 'habitRun', habitId, run: { length, first, last, isAlive: false }, unit: 'days' };
    }
  }
}

/** What was kept by the habits of a part of the day. */
const partOfDayAsked = (of: ChartedOf, span: DaySpan, part: PartOfDay): FigureQuery =>
  keptAsked(
    { habitId: null, name: PART_WORDS[part], tracks: of.tracks.filter(({ habit }) => habit.partOfDay === part) },
    span,
  );

const keptWords = ({ kept, asked, rate }: Kept): string =>
  rate === null ? 'nothing due' : `${outOf(kept, asked)}, ${percent(rate)}`;

/** From so many bars on, their figures are written without the sign. */
const MANY_BARS = 8;

/** The parts of the span beside one another: kept of what was due, the pass mark across, the running one in outline. */
export function PartsCard({ kind, review, of }: ReviewProps) {
  const router = useRouter();
  const isPrinted = useContext(IsPrinted);
  const { colors } = useTheme();
  const today = useAppSelector(selectToday);
  const { passMark } = useAppSelector(selectSettings);
  const { parts } = review;
  const choice = useMarks(`${kind} ${review.span.first} ${review.span.last}`);
  if (parts.every(({ kept }) => kept.rate === null)) return null;
  const title = PARTS_WORDS[kind];
  const words = (part: (typeof parts)[number]): string => {
    const toDate = kind === 'year' && part.kept.rate !== null ? `; the year to date ${percent(part.toDate.rate)}` : '';
    return `${partWords(kind, part, today).words}: ${keptWords(part.kept)}${part.isRunning ? ', still running' : ''}${toDate}`;
  };
  const at = choice.at === null ? undefined : parts[choice.at];
  const legend = [
    `Dotted is the pass mark, ${percent(passMark)}.`,
    kind === 'year' ? 'The line is the year to date.' : '',
    parts.some((part) => part.isRunning && part.kept.rate !== null) ? 'The outlined one still runs.' : '',
  ]
    .filter(Boolean)
    .join(' ');
  const [only] = of.habitId === null ? [] : of.tracks;
  const isByWeek = only !== undefined && streakUnitOn(only, Math.min(today, review.span.last)) === 'weeks';
  const weeks = isByWeek && kind !== 'week' ? weeksMetWords(weeksMetIn(only, review.span)) : null;
  const toDate = parts.findLast(({ kept }) => kept.rate !== null)?.toDate.rate ?? null;
  return (
    <ChartCard
      title={title}
      aside={kind === 'year' ? `year to date ${percent(toDate)}` : (weeks ?? 'kept of what was due')}
      asideAsked={kind === 'year' ? keptAsked(of, review.span) : null}
      legend={[legend]}
      figures={() => partsFigures(parts, (part) => partWords(kind, part, today).words)}
    >
      <BarsPicture
        label={`${title}: ${parts
          .filter(({ kept }) => kept.rate !== null)
          .map((part) => `${partWords(kind, part, today).words} ${percent(part.kept.rate)}`)
          .join(', ')}. Arrow keys go from bar to bar.`}
        bars={parts.map((part) => {
          const { rate } = part.kept;
          const told = percent(rate);
          return {
            label: partWords(kind, part, today).label,
            text: rate === null ? '' : parts.length >= MANY_BARS ? told.replace(/\D+$/, '') : told,
            value: rate,
            look: part.isRunning ? 'unfinished' : rate !== null && isAtLeast(rate, passMark) ? 'reached' : 'plain',
            color: colors.working,
          };
        })}
        most={1}
        line={passMark}
        course={
          kind === 'year' ? parts.map(({ kept, toDate: own }) => (kept.rate === null ? null : own.rate)) : undefined
        }
        choice={choice}
      />
      <MarkWords
        choice={choice}
        words={at === undefined ? null : words(at)}
        idle={legend}
        days={at?.span ?? null}
        asked={at === undefined || at.kept.rate === null ? null : keptAsked(of, at.span)}
      />
      {isPrinted || kind === 'week' ? null : (
        <Button kind="bare" style={{ alignSelf: 'flex-start' }} onPress={() => router.push(PATHS.weeks)}>
          Every habit by weeks
        </Button>
      )}
    </ChartCard>
  );
}

type Row = { name: string; label: string; kept: Kept; before: Kept | null; asked: FigureQuery };

/** Kept by something that comes round: weekdays, parts of the day; the span before as a line across each bar. */
function RoundCard({
  title,
  what,
  aside,
  kind,
  rows,
  review: { span, isByNow },
}: {
  title: string;
  what: string;
  aside: string;
  kind: ReviewSpan;
  rows: readonly Row[];
  review: SpanReview;
}) {
  const { colors } = useTheme();
  const choice = useMarks(`${title} ${kind} ${span.first} ${span.last}`);
  const at = choice.at === null ? undefined : rows[choice.at];
  const hasBefore = rows.some(({ before }) => before !== null && before.rate !== null);
  const legend = hasBefore ? [`The line is ${beforeWords(kind, isByNow)}.`] : [];
  return (
    <ChartCard title={title} aside={aside} legend={legend} figures={() => keptFigures(what, rows)}>
      <BarsPicture
        label={`${title}: ${rows.map(({ name, kept }) => `${name} ${percent(kept.rate)}`).join(', ')}. Arrow keys go from bar to bar.`}
        bars={rows.map(({ label, kept, before }) => ({
          label,
          text: percent(kept.rate),
          value: kept.rate,
          color: colors.working,
          mark: before?.rate ?? null,
        }))}
        most={1}
        choice={choice}
        heightPx={92}
      />
      <MarkWords
        choice={choice}
        words={
          at === undefined
            ? null
            : `${at.name}: ${keptWords(at.kept)}${at.before === null || at.before.rate === null ? '' : `; ${beforeWords(kind, isByNow)} ${keptWords(at.before)}`}`
        }
        idle={legend[0] ?? 'Choose a bar to see its numbers.'}
        days={null}
        asked={at?.asked ?? null}
      />
    </ChartCard>
  );
}

/** Days of record from which weekdays are compared. */
const TWO_WEEKS = 14;

/** Where it goes well and where not, by the weekday, of what is due on fixed days. */
export function WeekdaysCard({ kind, review, of, recordDays }: ReviewProps & { recordDays: number }) {
  const { weekStart } = useAppSelector(selectSettings);
  const { weekdays, past } = review;
  const asked = WEEKDAYS.reduce((sum, each) => sum + weekdays[each].asked, 0);
  if (asked === 0 || kind === 'week') return null;
  if (recordDays < TWO_WEEKS) return <ShortRecord title="Weekdays" recordDays={recordDays} />;
  return (
    <RoundCard
      title="Weekdays"
      what="Weekday"
      aside={`${number(asked)} due on fixed days`}
      kind={kind}
      review={review}
      rows={weekdaysFrom(weekStart).map((weekday) => ({
        name: weekdayTitle(weekday),
        label: weekdayTitle(weekday).slice(0, 2),
        kept: weekdays[weekday],
        before: past?.weekdays[weekday] ?? null,
        asked: keptOnWeekdayAsked(of, review.span, weekday),
      }))}
    />
  );
}

/** The same by the part of the day that habits belong to. */
export function PartsOfDayCard({ kind, review, of }: ReviewProps) {
  const { partsOfDay, past, span } = review;
  if (partsOfDay.length < 2 || partsOfDay.every(({ kept }) => kept.rate === null)) return null;
  return (
    <RoundCard
      title="Parts of the day"
      what="Part of the day"
      aside="kept of what was due"
      kind={kind}
      review={review}
      rows={partsOfDay.map(({ part, kept }) => ({
        name: PART_WORDS[part],
        label: PART_WORDS[part],
        kept,
        before: past?.partsOfDay.find((each) => each.part === part)?.kept ?? null,
        asked: partOfDayAsked(of, span, part),
      }))}
    />
  );
}

/** Text of a picture that needs more days. */
function ShortRecord({ title, recordDays }: { title: string; recordDays: number }) {
  return (
    <View role="group" aria-label={title} style={{ gap: SPACE.xs }}>
      <Words type="card" heading={2}>
        {title}
      </Words>
      <Words type="quiet" tone="quiet">
        Needs two weeks of record; so far there {recordDays === 1 ? 'is' : 'are'} {counted(recordDays, 'day')}.
      </Words>
    </View>
  );
}

const AREAS_LEGEND = 'As wide as its part of the done days, filled as far as it was kept.';

/** Each area's share, and how the done days divide among them. */
export function AreasCard({ kind, review, of }: ReviewProps) {
  const styles = useStyles();
  const { colors } = useTheme();
  const isWide = useIsWide();
  const isPrinted = useContext(IsPrinted);
  const areas = useAppSelector(selectAreas);
  const { tracks } = of;
  const choice = useMarks(`${kind} ${review.span.first} ${review.span.last}`);
  const rows = useMemo(() => {
    const place = new Map(areas.map((area, index) => [area.id, index]));
    const areaIndexOf = (areaId: string | null): number => place.get(areaId ?? '') ?? Infinity;
    return [...review.areas]
      .sort((a, b) => areaIndexOf(a.areaId) - areaIndexOf(b.areaId))
      .map((row) => {
        const area = areas.find((each) => each.id === row.areaId);
        const before = review.past?.areas.find((each) => each.areaId === row.areaId)?.kept.rate ?? null;
        const name = area?.name ?? 'No area';
        const own = tracks.filter(({ habit }) => (habit.areaId ?? null) === row.areaId);
        const asked = keptAsked({ habitId: null, name, tracks: own }, review.span);
        return { ...row, name, color: dyeColor(colors, area?.color), before, asked };
      });
  }, [review, areas, colors, tracks]);
  const parts = useMemo(() => rows.map(({ color, done, kept }) => ({ color, count: done, share: kept.rate })), [rows]);
  const done = rows.reduce((sum, row) => sum + row.done, 0);
  if (rows.length < 2 || done === 0) return null;
  const at = choice.at === null ? undefined : rows[choice.at];
  return (
    <ChartCard
      title="By area"
      aside={`${counted(done, 'day')} done`}
      legend={[
        ...rows.map((row, index) => `${index + 1} ${row.name}: kept ${keptWords(row.kept)}, ${row.done} done`),
        AREAS_LEGEND,
      ]}
      figures={() =>
        areasFigures(
          review.areas,
          review.past?.areas ?? [],
          (id) => areas.find((each) => each.id === id)?.name ?? 'No area',
        )
      }
    >
      <View style={isWide && !isPrinted ? styles.beside : styles.below}>
        <AreasRingPicture
          parts={parts}
          label={`Done days by area: ${rows.map((row) => `${row.name} ${row.done}`).join(', ')}. Arrow keys go from part to part.`}
          middle={{ figure: number(done), words: done === 1 ? 'day done' : 'days done' }}
          choice={choice}
        />
        <View style={styles.rows}>
          {rows.map(({ areaId, name, color, kept, done: own, before, asked }, index) => (
            <View
              key={areaId ?? 'none'}
              role="group"
              aria-label={`${name}: ${keptWords(kept)}, ${counted(own, 'day')} done`}
              style={[styles.row, choice.at === index && styles.looked]}
            >
              <PlaceBadge place={index + 1} color={color} />
              <View style={styles.grow}>
                <Words>{name}</Words>
                <Words type="quiet" tone="quiet">
                  {kept.asked === 0 ? 'nothing due' : `kept ${outOf(kept.kept, kept.asked)}`}, {number(own)} done
                  {before === null ? '' : `, before ${percent(before)}`}
                </Words>
              </View>
              <View style={styles.share}>
                <FigureWords
                  asked={kept.asked === 0 ? null : asked}
                  words={percent(kept.rate)}
                  label={`${name}: ${keptWords(kept)}`}
                  type="strong"
                />
              </View>
            </View>
          ))}
        </View>
      </View>
      {review.past === null ? null : (
        <Words type="small" tone="quiet">
          {`Before is ${beforeWords(kind, review.isByNow)}.`}
        </Words>
      )}
      <MarkWords
        choice={choice}
        words={
          at === undefined
            ? null
            : `${at.name}: ${at.done} of ${counted(done, 'done day')}, ${percent(at.done / done)}; kept ${keptWords(at.kept)}`
        }
        idle={AREAS_LEGEND}
        days={null}
        asked={at === undefined || at.kept.asked === 0 ? null : at.asked}
      />
    </ChartCard>
  );
}

const useStyles = themed((colors) => ({
  facts: { gap: 2, maxWidth: 760 },
  beside: { flexDirection: 'row', alignItems: 'center', gap: SPACE.xl },
  below: { gap: SPACE.m },
  rows: { flex: 1, minWidth: 0 },
  row: {
    flexDirection: 'row',
    alignItems: 'center',
    gap: SPACE.s,
    paddingVertical: 4,
    paddingHorizontal: 6,
    marginHorizontal: -6,
    borderRadius: 8,
  },
  looked: { backgroundColor: colors.hole },
  grow: { flex: 1, minWidth: 0 },
  share: { minWidth: 52, alignItems: 'flex-end' },
}));
