import {
  type DaySpan,
  type LookBackSpan,
  type PlainDay,
  type PlainMonth,
  type Review,
  dayCounts,
  dayOf,
  formatDay,
  formatMonth,
  holdsDay,
  keptTogether,
  monthOfDay,
  monthSpan,
  newReview,
  offeredReviews,
  rememberedOn,
  type Season,
  seasonWeekOn,
  seasonWeekSpan,
  yearOfDay,
  yearSpan,
  shownText,
} from '@wimbel/core';
import { useRouter } from 'expo-router';
import X from 'lucide-react-native/icons/x';
import { type ReactNode, useState } from 'react';
import { View } from 'react-native';
import { useStore } from 'react-redux';
import { outOf } from '../../text/amounts.ts';
import { MonthAims } from '../../components/journal/MonthAims.tsx';
import { counted, monthName, percent } from '../../text/format.ts';
import { writeLocalSetting, readLocalSetting } from '../../platform/localSettings.ts';
import { PATHS, lookBackPath } from '../../platform/paths.ts';
import { changeTo, newId } from '../../store/makeChange.ts';
import {
  selectIsHidden,
  selectJournal,
  selectReviews,
  selectSettings,
  selectToday,
  selectTotals,
  selectTracks,
} from '../../store/selectors.ts';
import { selectSeasons, selectShowsSeasons } from '../../store/seasonSelectors.ts';
import { type RootState, useAppSelector, useDeferredSelector } from '../../store/store.ts';
import { useRecording } from '../../sync/recording.ts';
import { themed } from '../../theme/Theme.tsx';
import { SPACE } from '../../theme/space.ts';
import { Button } from '../../ui/Button.tsx';
import { Card } from '../../ui/Card.tsx';
import { IconButton } from '../../ui/IconButton.tsx';
import { useToast } from '../../ui/Toast.tsx';
import { Words } from '../../ui/Words.tsx';
import { spanTitle } from '../../text/spanText.ts';
import { MeantLine, OfferLine } from './LookBackLines.tsx';

/** The last day of a month on which its turn is spoken of, and of a January on which that of the year is. */
const [TURN_OF_MONTH, TURN_OF_YEAR] = [5, 14];

/** What looking back has to say today: what was meant to be done, which look back can be written, the turn of a month or year. */
export function LookingBack() {
  const isHidden = useAppSelector((state) => selectIsHidden(state, 'journal'));
  if (isHidden) return null;
  return (
    <>
      <Remembered />
      <Turns />
      <Offers />
    </>
  );
}

const THIS: Record<LookBackSpan, string> = {
  week: 'This week',
  month: 'This month',
  quarter: 'This quarter',
  year: 'This year',
};

/** What the looks back on the spans before meant to do, until it is put away. */
function Remembered() {
  const router = useRouter();
  const toast = useToast();
  const { change } = useRecording();
  const today = useAppSelector(selectToday);
  const reviews = useAppSelector(selectReviews);
  const { weekStart } = useAppSelector(selectSettings);
  const putAway = (review: Review): void => {
    const answers = { ...review.answers, nextTimeWas: 'aside' as const };
    toast({ text: 'Put away', onUndo: change(changeTo('reviews', { ...review, answers })) });
  };
  return rememberedOn(reviews, today, weekStart).map(({ review, kind }) => (
    <MeantLine
      key={review.id}
      head={`${THIS[kind]} you wanted to`}
      text={shownText(review.answers.nextTime ?? '')}
      onOpen={() => router.push(lookBackPath(kind, review.from))}
      onPutAway={() => putAway(review)}
    />
  ));
}

/** Whether there is anything to look back on in a span: something was due, or written. */
const hasRecord = (state: RootState, span: DaySpan): boolean =>
  keptTogether(selectTracks(state), span).asked > 0 ||
  selectJournal(state).some(({ day }) => holdsDay(span, dayOf(day)));

/** Whether these days are a week of a season, which is looked back on there. */
const isSeasonWeek = (seasons: readonly Season[], span: DaySpan): boolean =>
  seasons.some((season) => {
    const week = seasonWeekOn(season, span.first);
    return week !== null && seasonWeekSpan(season, week).first === span.first;
  });

/** The looks back that can be written now, a line each. */
function Offers() {
  const router = useRouter();
  const toast = useToast();
  const store = useStore<RootState>();
  const { change } = useRecording();
  const today = useAppSelector(selectToday);
  const reviews = useAppSelector(selectReviews);
  const settings = useAppSelector(selectSettings);
  const seasons = useAppSelector(selectSeasons);
  const showsSeasons = useAppSelector(selectShowsSeasons);
  // The tracks stand for all that is due.
  useDeferredSelector(selectTracks);
  const isTold = useTurnOfMonth(monthOfDay(today)).isShown;
  const offers = offeredReviews(reviews, today, settings, (span) => hasRecord(store.getState(), span))
    // The turn of the month offers its own.
    .filter(({ kind, span }) => !(isTold && kind === 'month' && span.last < today))
    // So does a season whose week it is.
    .filter(({ kind, span }) => !(showsSeasons && kind === 'week' && isSeasonWeek(seasons, span)));
  if (offers.length === 0) return null;
  return (
    <Card isFlush label="Look back">
      {offers.map(({ kind, span }, place) => {
        const title = holdsDay(span, today) && kind === 'week' ? 'this week' : spanTitle(kind, span, today);
        return (
          <OfferLine
            key={kind}
            title={`Look back on ${title}`}
            isParted={place > 0}
            onOpen={() => router.push(lookBackPath(kind, formatDay(span.first)))}
            onWaveOff={() =>
              toast({
                text: 'Left for another time',
                onUndo: change(changeTo('reviews', newReview(newId(), kind, span.first))),
              })
            }
          />
        );
      })}
    </Card>
  );
}

/** A notice that is shown while it applies, until it is dismissed on this device. */
function useOnce(name: string, isDue: boolean): { isShown: boolean; waveOff: () => void } {
  const [isGone, setIsGone] = useState<string | null>(null);
  return {
    isShown: isDue && isGone !== name && readLocalSetting(name) !== 'yes',
    waveOff: () => {
      writeLocalSetting(name, 'yes');
      setIsGone(name);
    },
  };
}

/** Whether the turn of a month is shown: in its first days, where the month before has records. */
function useTurnOfMonth(month: PlainMonth) {
  const today = useAppSelector(selectToday);
  const account = useAppSelector((state) => state.account.account?.id ?? '');
  const before = monthSpan(month - 1);
  const isTime = today - monthSpan(month).first < TURN_OF_MONTH;
  const hasAny = useAppSelector((state) => isTime && hasRecord(state, before));
  return useOnce(`monthTurn.${formatMonth(month)}.${account}`, hasAny);
}

function Turns() {
  const today = useAppSelector(selectToday);
  return (
    <>
      <TurnOfYear today={today} />
      <TurnOfMonth today={today} />
    </>
  );
}

/** How the last month stood, and the new one's word and aims. */
function TurnOfMonth({ today }: { today: PlainDay }) {
  const styles = useStyles();
  const router = useRouter();
  const month = monthOfDay(today);
  const { isShown, waveOff } = useTurnOfMonth(month);
  const [isOpen, setIsOpen] = useState(false);
  const tracks = useDeferredSelector(selectTracks);
  const totals = useDeferredSelector(selectTotals);
  const { passMark } = useAppSelector(selectSettings);
  if (!isShown) return null;
  const span = monthSpan(month - 1);
  const { rate, kept, asked } = keptTogether(tracks, span);
  const { fullDays, brightDays } = dayCounts(totals, span, passMark);
  const stood =
    rate === null
      ? 'nothing was due'
      : `${percent(rate)} kept, ${outOf(kept, asked)}, ${counted(fullDays, 'full day')}, ${counted(brightDays, 'bright day')}`;
  return (
    <Turn title={`${monthName(month)} begins`} onWaveOff={waveOff}>
      <Words tone="quiet">{`${monthName(month - 1)}: ${stood}.`}</Words>
      {isOpen ? <MonthAims month={month} withWord /> : null}
      <View style={styles.buttons}>
        <Button onPress={() => router.push(lookBackPath('month', formatDay(span.first)))}>
          {`Look back on ${monthName(month - 1)}`}
        </Button>
        <Button kind="bare" onPress={() => setIsOpen(!isOpen)}>
          {isOpen ? 'Fold away' : `Word and aims of ${monthName(month)}`}
        </Button>
      </View>
    </Turn>
  );
}

/** The way into the new year, in its first days. */
function TurnOfYear({ today }: { today: PlainDay }) {
  const styles = useStyles();
  const router = useRouter();
  const year = yearOfDay(today);
  const account = useAppSelector((state) => state.account.account?.id ?? '');
  const isTime = today - yearSpan(year).first < TURN_OF_YEAR;
  const hasAny = useAppSelector((state) => isTime && hasRecord(state, yearSpan(year - 1)));
  const { isShown, waveOff } = useOnce(`yearTurned.${year}.${account}`, hasAny);
  if (!isShown) return null;
  return (
    <Turn title={`${year} begins`} onWaveOff={waveOff}>
      <Words tone="quiet">
        {`How ${year - 1} was, what it taught you, how often from now on, and what is next: five pages, each of which can be skipped.`}
      </Words>
      <View style={styles.buttons}>
        <Button onPress={() => router.push(`${PATHS.yearTurn}?year=${year}`)}>Go through it</Button>
      </View>
    </Turn>
  );
}

function Turn({ title, onWaveOff, children }: { title: string; onWaveOff: () => void; children: ReactNode }) {
  const styles = useStyles();
  return (
    <Card style={styles.turn} label={title}>
      <View style={styles.head}>
        <Words type="card" heading={2} style={styles.grow}>
          {title}
        </Words>
        <IconButton icon={X} label={`Put away: ${title}`} onPress={onWaveOff} />
      </View>
      {children}
    </Card>
  );
}

const useStyles = themed(() => ({
  grow: { flex: 1, minWidth: 0 },
  turn: { gap: SPACE.s },
  head: { flexDirection: 'row', alignItems: 'center', marginVertical: -SPACE.s, marginRight: -SPACE.s },
  buttons: { flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s },
}));
