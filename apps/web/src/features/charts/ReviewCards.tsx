import { type ReviewSpan, type SpanReview, WEEKDAYS, reviewFacts } from '@wimbel/core';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { Pressable, View } from 'react-native';
import { selectAreas, selectSettings, selectToday } from '../../records/selectors.ts';
import { useAppSelector } from '../../records/store.ts';
import { number } from '../../shared/amounts.ts';
import { counted, percent } from '../../shared/format.ts';
import { themed, useTheme } from '../../theme/Theme.tsx';
import { dyeColor } from '../../theme/dye.ts';
import { SPACE } from '../../theme/space.ts';
import { Button } from '../../ui/Button.tsx';
import { BarsAcross } from '../../ui/BarsAcross.tsx';
import { Card } from '../../ui/Card.tsx';
import { CardHead } from '../../ui/CardHead.tsx';
import { ProgressBar } from '../../ui/ProgressBar.tsx';
import { Words } from '../../ui/Words.tsx';
import { PARTS_WORDS, factWords, partWords, rankWords, weekdaysFrom } from './chartWords.ts';

type Props = { kind: ReviewSpan; review: SpanReview };

/** From so many bars on, their figures are written without the sign. */
const MANY_BARS = 8;
/** How many habits are listed before the others are asked for. */
const MOST_RANKED = 20;

/** What changed most, in plain sentences with their numbers. */
export function InWords({ kind, review }: Props) {
  const styles = useStyles();
  const habits = useAppSelector((state) => state.records.habits);
  const facts = reviewFacts(review);
  if (facts.length === 0) return <Words tone="quiet">Nothing was asked in this span.</Words>;
  return (
    <View role="note" aria-label="In words" style={styles.facts}>
      {facts.map((fact, index) => (
        <Words key={index} type={index === 0 ? 'name' : 'body'}>
          {factWords(fact, kind, (id) => habits[id]?.name ?? '')}
        </Words>
      ))}
    </View>
  );
}

/** The parts of the span beside one another: kept of what was asked, the pass mark across, the running one in outline. */
export function PartsCard({ kind, review }: Props) {
  const styles = useStyles();
  const { colors } = useTheme();
  const today = useAppSelector(selectToday);
  const { passMark } = useAppSelector(selectSettings);
  const { parts } = review;
  if (parts.every(({ kept }) => kept.rate === null)) return null;
  return (
    <Card style={styles.card} label={PARTS_WORDS[kind]}>
      <CardHead title={PARTS_WORDS[kind]} aside="kept of what was asked" />
      <BarsAcross
        label={PARTS_WORDS[kind]}
        markColor={colors.brass}
        heightPx={96}
        bars={parts.map((part) => {
          const { label, words } = partWords(kind, part, today);
          const { kept, asked, rate } = part.kept;
          const told = percent(rate);
          return {
            key: String(part.span.first),
            label,
            value: rate === null ? '' : parts.length >= MANY_BARS ? told.replace(/\D+$/, '') : told,
            words: `${words}: ${rate === null ? 'nothing asked' : `${kept} of ${asked}, ${told}`}${part.isRunning ? ', still running' : ''}`,
            ratio: rate,
            color: part.isRunning
              ? colors.rim
              : rate !== null && rate >= passMark - 1e-9
                ? colors.deep
                : colors.working,
            mark: rate === null ? null : passMark,
          };
        })}
      />
      <Words type="quiet" tone="quiet">
        The line is the pass mark, {percent(passMark)}.
        {parts.some((part) => part.isRunning) ? ' The grey one still runs.' : ''}
      </Words>
    </Card>
  );
}

/** Where it goes well and where not, by the weekday, of what is asked on fixed days. */
export function WeekdaysCard({ review }: { review: SpanReview }) {
  const styles = useStyles();
  const { colors } = useTheme();
  const { weekStart } = useAppSelector(selectSettings);
  const { weekdays } = review;
  const asked = WEEKDAYS.reduce((sum, each) => sum + weekdays[each].asked, 0);
  if (asked === 0) return null;
  const name = (weekday: string): string => weekday.charAt(0).toUpperCase() + weekday.slice(1);
  return (
    <Card style={styles.card} label="Weekdays">
      <CardHead title="Weekdays" aside={`${number(asked)} asked on fixed days`} />
      <BarsAcross
        label="Kept by weekday"
        markColor={colors.brass}
        heightPx={84}
        bars={weekdaysFrom(weekStart).map((weekday) => {
          const { kept, asked: own, rate } = weekdays[weekday];
          return {
            key: weekday,
            label: name(weekday).slice(0, 2),
            value: rate === null ? '' : percent(rate),
            words: `${name(weekday)}: ${rate === null ? 'nothing asked' : `${kept} of ${own}, ${percent(rate)}`}`,
            ratio: rate,
            color: colors.working,
          };
        })}
      />
    </Card>
  );
}

/** Each area's share, and how the done days divide among them. */
export function AreasCard({ review }: { review: SpanReview }) {
  const styles = useStyles();
  const { colors } = useTheme();
  const areas = useAppSelector(selectAreas);
  const place = new Map(areas.map((area, index) => [area.id, index]));
  const rows = [...review.areas].sort(
    (a, b) => (place.get(a.areaId ?? '') ?? Infinity) - (place.get(b.areaId ?? '') ?? Infinity),
  );
  const done = rows.reduce((sum, row) => sum + row.done, 0);
  if (rows.length < 2 || done === 0) return null;
  const areaOf = (areaId: string | null) => areas.find((area) => area.id === areaId);
  return (
    <Card style={styles.card} label="By area">
      <CardHead title="By area" aside={`${counted(done, 'day')} done`} />
      <View
        role="img"
        aria-label={`Done days by area: ${rows.map((row) => `${areaOf(row.areaId)?.name ?? 'no area'} ${row.done}`).join(', ')}`}
        style={styles.divided}
      >
        {rows.map((row) =>
          row.done === 0 ? null : (
            <View
              key={row.areaId ?? 'none'}
              style={{ flexGrow: row.done, backgroundColor: dyeColor(colors, areaOf(row.areaId)?.color) }}
            />
          ),
        )}
      </View>
      {rows.map((row) => {
        const area = areaOf(row.areaId);
        const name = area?.name ?? 'No area';
        const words = `${row.actual} of ${row.target}`;
        return (
          <View
            key={row.areaId ?? 'none'}
            role="group"
            aria-label={`${name}: ${words}, ${percent(row.share)}, ${counted(row.done, 'day')} done`}
          >
            <View style={styles.line}>
              <View style={[styles.dot, { backgroundColor: dyeColor(colors, area?.color) }]} />
              <Words style={styles.grow}>{name}</Words>
              <Words type="quiet" tone="quiet">
                {words}
              </Words>
              <Words type="strong" style={styles.share}>
                {percent(row.share)}
              </Words>
            </View>
            <ProgressBar ratio={row.share ?? 0} color={dyeColor(colors, area?.color)} label={`${name}: ${words}`} />
          </View>
        );
      })}
    </Card>
  );
}

/** Set against done, habit by habit, best first, with the change of rank. */
export function RankingCard({ kind, review }: Props) {
  const styles = useStyles();
  const { colors } = useTheme();
  const router = useRouter();
  const habits = useAppSelector((state) => state.records.habits);
  const areas = useAppSelector((state) => state.records.areas);
  const [isWhole, setIsWhole] = useState(false);
  if (review.habits.length < 2) return null;
  return (
    <Card style={styles.card} label="Set against done">
      <CardHead title="Set against done" aside={kind === 'all' ? 'best first' : 'best first, rank against before'} />
      {(isWhole ? review.habits : review.habits.slice(0, MOST_RANKED)).map(({ id, figures, rank, rankBefore }) => {
        const habit = habits[id];
        if (habit === undefined) return null;
        const words = `${figures.actual} of ${figures.target}`;
        const change = kind === 'all' ? '' : rankWords(rank, rankBefore);
        const color = dyeColor(colors, areas[habit.areaId ?? '']?.color);
        return (
          <Pressable
            key={id}
            role="link"
            aria-label={`${rank}. ${habit.name}: ${words}, ${percent(figures.share)}${change ? `, ${change}` : ''}`}
            onPress={() => router.push(`/habits/${encodeURIComponent(id)}` as never)}
            style={styles.ranked}
          >
            <View style={styles.line}>
              <Words type="label" tone="quiet" style={styles.rank}>
                {rank}
              </Words>
              <Words style={styles.grow}>{habit.name}</Words>
              <Words type="quiet" tone="quiet">
                {words}
              </Words>
              <Words type="strong" style={styles.share}>
                {percent(figures.share)}
              </Words>
            </View>
            <View style={styles.under}>
              <View style={styles.grow}>
                <ProgressBar ratio={figures.share ?? 0} color={color} label={`${habit.name}: ${words}`} />
              </View>
              {change ? (
                <Words type="small" tone={change.startsWith('up') ? 'working' : 'quiet'} style={styles.change}>
                  {change}
                </Words>
              ) : null}
            </View>
          </Pressable>
        );
      })}
      {review.habits.length > MOST_RANKED ? (
        <Button kind="bare" onPress={() => setIsWhole(!isWhole)} style={styles.more}>
          {isWhole ? `The first ${MOST_RANKED}` : `All ${review.habits.length}`}
        </Button>
      ) : null}
    </Card>
  );
}

const useStyles = themed(() => ({
  facts: { gap: 2, maxWidth: 760 },
  card: { gap: SPACE.m },
  divided: { flexDirection: 'row', height: 14, borderRadius: 7, overflow: 'hidden', gap: 2 },
  line: { flexDirection: 'row', alignItems: 'baseline', gap: SPACE.s, paddingBottom: 4 },
  dot: { width: 10, height: 10, borderRadius: 5, alignSelf: 'center' },
  grow: { flex: 1, minWidth: 0 },
  share: { minWidth: 52, textAlign: 'right' },
  rank: { minWidth: 20 },
  more: { alignSelf: 'flex-start' },
  ranked: { minHeight: 44, justifyContent: 'center' },
  under: { flexDirection: 'row', alignItems: 'center', gap: SPACE.s, paddingLeft: 28 },
  change: { minWidth: 52, textAlign: 'right' },
}));
