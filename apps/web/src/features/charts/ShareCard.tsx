import { type PlainDay, type Track, dayCounts, holdsDay, scoreOn, spanBefore, totalsOf } from '@wimbel/core';
import { useCallback, useMemo } from 'react';
import { ShareLine } from '../../charts/ShareLine.tsx';
import { useMarks } from '../../charts/useMarks.ts';
import { selectSettings, selectToday } from '../../store/selectors.ts';
import { useAppSelector } from '../../store/store.ts';
import { counted, monthAndYear, percent } from '../../shared/format.ts';
import { Words } from '../../ui/Words.tsx';
import { useByMonth } from './ByMonth.tsx';
import { ChartCard } from './ChartCard.tsx';
import type { DaysProps } from './DayCards.tsx';
import { MarkWords } from './MarkWords.tsx';
import { daysFigures } from './chartFigures.ts';
import { dayOfAllWords } from './chartValues.ts';
import { BEFORE_WORDS, spanTitle } from './chartWords.ts';

/** Share per day, with the pass mark and the mean of seven days. */
export function ShareCard({ kind, span, tracks }: DaysProps & { tracks: readonly Track[] }) {
  const today = useAppSelector(selectToday);
  const { passMark, weekStart } = useAppSelector(selectSettings);
  const { drawn, month, arrows } = useByMonth(span, today);
  const choice = useMarks(`${drawn.first} ${drawn.last}`);
  const totals = useMemo(() => totalsOf(tracks, today), [tracks, today]);
  const ratioOf = useCallback(
    (day: PlainDay) => (day > today || day < totals.first ? null : scoreOn(totals, day, passMark).score),
    [totals, today, passMark],
  );
  const { brightDays, fullDays } = dayCounts(totals, drawn, passMark);
  const shownKind = month === null ? kind : 'month';
  const before = useMemo(() => spanBefore(shownKind, drawn, weekStart), [shownKind, drawn, weekStart]);
  const brightBefore = useMemo(
    () => (before === null ? null : dayCounts(totals, before, passMark).brightDays),
    [totals, before, passMark],
  );
  const at = choice.at !== null && holdsDay(drawn, choice.at) ? choice.at : null;
  const full = fullDays === 0 ? '' : `, ${fullDays} of them full, with an eye`;
  const past = brightBefore === null ? '' : `; ${BEFORE_WORDS[shownKind]} ${brightBefore}`;
  const legend = `${counted(brightDays, 'day')} at the pass mark of ${percent(passMark)} (dotted)${full}${past}. The line is the mean of seven days.`;
  return (
    <ChartCard
      title="Share per day"
      aside={arrows}
      legend={month === null ? [legend] : [`${monthAndYear(month)}: ${legend}`]}
      figures={() => daysFigures(totals, { first: drawn.first, last: Math.min(drawn.last, today) }, passMark)}
    >
      <ShareLine
        span={drawn}
        ratioOf={ratioOf}
        passMark={passMark}
        label={`Share per day of ${month === null ? spanTitle(kind, span, today) : monthAndYear(month)}: ${counted(brightDays, 'day')} at the pass mark of ${percent(passMark)}`}
        choice={choice}
      />
      <Words type="quiet" tone="quiet">
        {legend}
      </Words>
      <MarkWords
        choice={choice}
        words={at === null ? null : dayOfAllWords(totals, at, today, passMark)}
        idle="Choose a day to see its numbers."
        days={at === null ? null : { first: at, last: at }}
      />
    </ChartCard>
  );
}
