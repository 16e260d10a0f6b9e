import {
  LOOK_BACK_SPANS,
  type LookBackSpan,
  type PlainDay,
  dayOfNeighbour,
  formatDay,
  holdsDay,
  logSpanOf,
  parseDay,
  seasonOn,
  seasonWeekOn,
  seasonWeekSpan,
  yearOfDay,
} from '@wimbel/core';
import { useLocalSearchParams, useRouter } from 'expo-router';
import FileDown from 'lucide-react-native/icons/file-down';
import Printer from 'lucide-react-native/icons/printer';
import { useDeferredValue, useMemo, useState } from 'react';
import { View } from 'react-native';
import { outOf } from '../../../text/amounts.ts';
import { printPage } from '../../../platform/printPage.ts';
import { SpanHead } from '../../../components/page/SpanHead.tsx';
import { useReview } from '../../../components/lookBack/worker/useReview.ts';
import { percent } from '../../../text/format.ts';
import { PATHS, seasonWeekPath } from '../../../platform/paths.ts';
import { selectSeasons, selectShowsSeasons } from '../../../store/seasonSelectors.ts';
import { selectSettings, selectToday, selectTracks } from '../../../store/selectors.ts';
import { useAppSelector } from '../../../store/store.ts';
import { themed, useIsWide } from '../../../theme/Theme.tsx';
import { SPACE } from '../../../theme/space.ts';
import { Button } from '../../../ui/Button.tsx';
import { Page } from '../../../ui/Frame.tsx';
import { IconButton } from '../../../ui/IconButton.tsx';
import { Segments } from '../../../ui/Segments.tsx';
import { Words } from '../../../ui/Words.tsx';
import { seasonPartTitle } from '../../../text/seasonText.ts';
import { SPAN_WORDS } from '../../../text/spanText.ts';
import { JournalTabs } from '../JournalTabs.tsx';
import { EarlierCard } from './EarlierCard.tsx';
import { GoalsMovedCard } from '../../../components/lookBack/GoalsMovedCard.tsx';
import { MissesCard } from '../../../components/lookBack/MissesCard.tsx';
import { MoodOfSpanCard } from './MoodOfSpanCard.tsx';
import { SumCard } from './SumCard.tsx';
import { WrittenThenCard } from './WrittenThenCard.tsx';
import { WritingColumn } from './WritingColumn.tsx';

/** A look back on a week, month, quarter or year: what the record says, beside the writing. */
export function LookBackScreen() {
  const styles = useStyles();
  const isWide = useIsWide();
  const router = useRouter();
  const params = useLocalSearchParams<{ span?: string; day?: string }>();
  const today = useAppSelector(selectToday);
  const { weekStart } = useAppSelector(selectSettings);
  const kind = LOOK_BACK_SPANS.find((each) => each === params.span) ?? 'month';
  const day = Math.min(today, parseDay(params.day ?? '') ?? today);
  const span = useMemo(() => logSpanOf(kind, day, weekStart), [kind, day, weekStart]);
  const [isFolded, setIsFolded] = useState(false);
  const go = (next: LookBackSpan, to: PlainDay): void => {
    const isNow = holdsDay(logSpanOf(next, to, weekStart), today);
    router.push(`${PATHS.lookBack}?span=${next}${isNow ? '' : `&day=${formatDay(to)}`}`);
  };
  const figures = <Figures kind={kind} day={day} isFolded={isFolded} onUnfold={() => setIsFolded(false)} />;
  const writing = (
    <WritingColumn
      key={`${kind} ${span.first}`}
      kind={kind}
      span={span}
      // On a phone the figures make room for the keyboard.
      onTyping={() => {
        if (!isWide) setIsFolded(true);
      }}
    />
  );
  return (
    <Page>
      <SpanHead
        kind={kind}
        span={span}
        onBeside={(by) => go(kind, dayOfNeighbour(kind, span, by))}
        onNow={() => go(kind, today)}
      >
        <View style={styles.more}>
          <IconButton icon={Printer} name="Print" label="Print this look back" onPress={printPage} />
          <IconButton
            icon={FileDown}
            name="Take along"
            label="These days to take along"
            onPress={() =>
              router.push(
                `${PATHS.takeAlong}?from=${formatDay(span.first)}&to=${formatDay(Math.min(today, span.last))}`,
              )
            }
          />
        </View>
      </SpanHead>
      <View style={[styles.choices, isWide && styles.choicesWide]}>
        <JournalTabs at={PATHS.lookBack} />
        <Segments<LookBackSpan>
          label="Look back on a"
          value={kind}
          choices={LOOK_BACK_SPANS.map((value) => ({ value, label: SPAN_WORDS[value] }))}
          onChange={(next) => go(next, day)}
        />
      </View>
      {kind === 'week' ? <SeasonOfWeek first={span.first} /> : null}
      {kind === 'year' && yearOfDay(span.first) + 1 >= yearOfDay(today) ? (
        <Button onPress={() => router.push(`${PATHS.yearTurn}?year=${yearOfDay(span.first) + 1}`)} style={styles.start}>
          {`Plan ${yearOfDay(span.first) + 1}, page by page`}
        </Button>
      ) : null}
      {isWide ? (
        <View style={styles.columns}>
          <View style={styles.figures}>{figures}</View>
          <View style={styles.writing}>
            {writing}
            <EarlierCard kind={kind} span={span} onGo={(to) => go(kind, to)} />
          </View>
        </View>
      ) : (
        <>
          {figures}
          {writing}
          <EarlierCard kind={kind} span={span} onGo={(to) => go(kind, to)} />
        </>
      )}
    </Page>
  );
}

/** The season whose week these days are: it is looked back on there. */
function SeasonOfWeek({ first }: { first: PlainDay }) {
  const styles = useStyles();
  const router = useRouter();
  const shows = useAppSelector(selectShowsSeasons);
  const seasons = useAppSelector(selectSeasons);
  const season = shows ? seasonOn(seasons, first) : null;
  const week = season === null ? null : seasonWeekOn(season, first);
  if (season === null || week === null || seasonWeekSpan(season, week).first !== first) return null;
  return (
    <Button onPress={() => router.push(seasonWeekPath(season.id, week))} style={styles.start}>
      {`${seasonPartTitle(week)} of ${season.title}`}
    </Button>
  );
}

/** What the record says of the span; folded to a line while one types on a phone. */
function Figures({
  kind,
  day,
  isFolded,
  onUnfold,
}: {
  kind: LookBackSpan;
  day: PlainDay;
  isFolded: boolean;
  onUnfold: () => void;
}) {
  const styles = useStyles();
  const tracks = useAppSelector(selectTracks);
  const today = useAppSelector(selectToday);
  const { weekStart } = useAppSelector(selectSettings);
  const span = useMemo(() => logSpanOf(kind, day, weekStart), [kind, day, weekStart]);
  const asked = useMemo(
    () => ({ tracks, options: { kind, span, weekStart, today } }),
    [tracks, kind, span, weekStart, today],
  );
  const { shown } = useReview(useDeferredValue(asked));
  if (shown === null) return <Words tone="quiet">Working it out…</Words>;
  const { review, options } = shown;
  const of = { kind: options.kind as LookBackSpan, span: options.span };
  if (isFolded) {
    const { rate, kept, asked: all } = review.kept;
    return (
      <View style={styles.folded}>
        <Words type="label" style={styles.grow}>
          {rate === null ? 'Nothing was due' : `${percent(rate)} kept, ${outOf(kept, all)}`}
        </Words>
        <Button kind="bare" onPress={onUnfold}>
          Show the figures
        </Button>
      </View>
    );
  }
  return (
    <View style={styles.cards}>
      <SumCard {...of} review={review} />
      <MissesCard span={of.span} tracks={shown.tracks} />
      <GoalsMovedCard span={of.span} />
      <MoodOfSpanCard {...of} />
      <WrittenThenCard {...of} />
    </View>
  );
}

const useStyles = themed((colors) => ({
  choices: { gap: SPACE.l },
  choicesWide: { flexDirection: 'row', flexWrap: 'wrap', justifyContent: 'space-between' },
  more: { marginLeft: 'auto' },
  start: { alignSelf: 'flex-start' },
  columns: { flexDirection: 'row', gap: SPACE.xl, alignItems: 'flex-start' },
  figures: { flex: 1, minWidth: 0 },
  writing: { flex: 1, minWidth: 0, gap: SPACE.l },
  cards: { gap: SPACE.l },
  folded: {
    flexDirection: 'row',
    alignItems: 'center',
    paddingLeft: SPACE.m,
    borderRadius: 12,
    borderWidth: 1,
    borderColor: colors.line,
    backgroundColor: colors.raised,
  },
  grow: { flex: 1 },
}));
