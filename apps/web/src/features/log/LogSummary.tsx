import {
  type DaySpan,
  type LogSpan,
  type Track,
  dayCounts,
  holdsDay,
  isFreeSpan,
  monthFigures,
  monthOfDay,
  keptTogether,
} from '@wimbel/core';
import { type ReactNode, useMemo } from 'react';
import { View } from 'react-native';
import { selectSettings, selectToday } from '../../store/selectors.ts';
import { useAppSelector } from '../../store/store.ts';
import { number } from '../../text/amounts.ts';
import { capital, counted, percent, spanInWords } from '../../text/format.ts';
import { themed, useIsWide } from '../../theme/Theme.tsx';
import { SPACE } from '../../theme/space.ts';
import { Words } from '../../ui/Words.tsx';
import { useTotalsOf } from './useTotalsOf.ts';
import { figuresOf } from './logRows.ts';
import { spanName } from './logWords.ts';
import { Figure, FigureWords } from '../../components/figure/Figure.tsx';
import { keptWords } from '../../text/keptText.ts';
import type { FigureQuery } from '../../text/figureQuery.ts';
import { fullDaysAimedAt } from '../../text/fullDaysAimed.ts';
import { spanBeforeFirstDay } from './useLogPlace.ts';

/** The span in figures: kept of asked, full and bright days, ribbons of its months. */
export function LogSummary({
  tracks,
  all,
  name,
  kind,
  span,
  aside,
}: {
  tracks: readonly Track[];
  /** The habits that are shown, of all days, where they are not all; and what they have in common. */
  all: readonly Track[] | null;
  name: string | null;
  kind: LogSpan;
  span: DaySpan;
  aside: ReactNode;
}) {
  const styles = useStyles();
  const today = useAppSelector(selectToday);
  const { passMark, fullDayTarget } = useAppSelector(selectSettings);
  const totals = useTotalsOf(all);
  const over = all === null || name === null ? {} : { habitIds: all.map(({ habit }) => habit.id), name };
  const { kept, asked, rate } = useMemo(() => keptTogether(tracks, span), [tracks, span]);
  const ribbons = useMemo(() => ribbonsIn(tracks, kind, span, passMark), [tracks, kind, span, passMark]);
  const { fullDays, brightDays } = dayCounts(totals, span, passMark);
  // What is aimed at is for all habits together.
  const aim = all === null ? fullDaysAimedAt(kind, fullDayTarget) : undefined;
  const full =
    aim === undefined ? counted(fullDays, 'full day') : `${number(fullDays)} of ${counted(aim, 'full day')} aimed at`;
  const soFar = holdsDay(span, today) ? ' so far' : '';
  const told =
    asked === 0 ? `nothing settled${soFar === '' ? '' : ' yet'}` : `${number(kept)} of ${number(asked)} due${soFar}`;
  // Of a span in which nothing is settled yet the one before says more.
  const before = useMemo(() => spanBeforeFirstDay(tracks, kind, span, asked), [tracks, kind, span, asked]);
  return (
    <View style={styles.summaryLine}>
      <View style={styles.summary} role="status" aria-label={`The ${spanName(kind)} in figures`}>
        <Figure asked={{ figure: 'kept', span, ...over }} label={`${told}, ${percent(rate)}`}>
          <View style={styles.share}>
            {rate === null ? null : <Words type="title">{percent(rate)}</Words>}
            <Words tone="quiet">{capital(told)}</Words>
          </View>
        </Figure>
        {before === null ? null : (
          <FigureWords
            asked={{ figure: 'kept', span: before.span, ...over }}
            words={`${spanInWords(before.span, today)}: ${keptWords(before.kept)}`}
          />
        )}
        <View style={styles.counts}>
          <Count asked={{ figure: 'fullDays', span, ...over }} words={full} />
          <Count asked={{ figure: 'brightDays', span, ...over }} words={counted(brightDays, 'bright day')} />
          {ribbons === null ? null : (
            <Count asked={{ figure: 'ribbons', span, ...over }} words={counted(ribbons, 'ribbon')} />
          )}
        </View>
      </View>
      {aside}
    </View>
  );
}

function Count({ asked, words }: { asked: FigureQuery; words: string }) {
  const isWide = useIsWide();
  return (
    <Figure asked={asked} label={words}>
      <Words tone="quiet" type={isWide ? 'body' : 'quiet'}>
        {words}
      </Words>
    </Figure>
  );
}

/** Ribbons of the months that a span holds whole; null for spans that hold none. */
function ribbonsIn(tracks: readonly Track[], kind: LogSpan, span: DaySpan, passMark: number): number | null {
  if (kind === 'week' || isFreeSpan(kind)) return null;
  let ribbons = 0;
  for (let month = monthOfDay(span.first); month <= monthOfDay(span.last); month++) {
    for (const track of tracks) {
      const figures = kind === 'month' ? figuresOf(track, kind, span, passMark) : monthFigures(track, month, passMark);
      if ('ribbon' in figures && figures.ribbon) ribbons++;
    }
  }
  return ribbons;
}

const useStyles = themed(() => ({
  summaryLine: { flexDirection: 'row', alignItems: 'center' },
  summary: {
    flex: 1,
    flexDirection: 'row',
    alignItems: 'baseline',
    justifyContent: 'space-between',
    flexWrap: 'wrap',
    columnGap: SPACE.xl,
  },
  share: { flexDirection: 'row', alignItems: 'baseline', gap: SPACE.s },
  counts: { flexDirection: 'row', flexWrap: 'wrap', columnGap: SPACE.l },
}));
