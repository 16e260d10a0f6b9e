import { type PlainDay, daysCompared, dayCounts, holdsDay, scoreOn, totalsOf } from '@wimbel/core';
import { useCallback, useMemo } from 'react';
import { ShareLine } from '../../../charts/ShareLine.tsx';
import { useMarks } from '../../../charts/useMarks.ts';
import { selectSettings, selectToday } from '../../../store/selectors.ts';
import { useAppSelector } from '../../../store/store.ts';
import { counted, monthAndYear, percent } from '../../../text/format.ts';
import { useByMonth } from './ByMonth.tsx';
import { ChartCard } from './ChartCard.tsx';
import type { OfMany } from './DayCards.tsx';
import { MarkWords } from './MarkWords.tsx';
import { daysFigures } from './chartFigures.ts';
import { dayOfAllWords } from './chartValues.ts';
import { beforeWords, spanTitle } from '../../../text/spanText.ts';
import { FigureWords } from '../../../components/figure/Figure.tsx';
import { overThese } from '../chartedOf.ts';

/** Share per day, with the pass mark and the mean of seven days. */
export function ShareCard({ kind, span, tracks, name }: OfMany) {
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
  const { brightBefore, isByNow } = useMemo(() => {
    const { compared, isByNow: isRunning } = daysCompared(shownKind, drawn, weekStart, today);
    // Where there was no record yet there is nothing to compare with.
    const isKnown = compared !== null && compared.last >= totals.first;
    return { brightBefore: isKnown ? dayCounts(totals, compared, passMark).brightDays : null, isByNow: isRunning };
  }, [shownKind, drawn, weekStart, today, totals, passMark]);
  const at = choice.at !== null && holdsDay(drawn, choice.at) ? choice.at : null;
  const full = fullDays === 0 ? '' : `, ${fullDays} of them full, with a pale dot`;
  const past = brightBefore === null ? '' : `; ${beforeWords(shownKind, isByNow)} ${brightBefore}`;
  const bright = `${counted(brightDays, 'day')} at the pass mark of ${percent(passMark)} or above (dotted)${full}${past}.`;
  const legend = `${bright} The line is the mean of seven days.`;
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
      <FigureWords asked={{ figure: 'brightDays', span: drawn, ...overThese({ tracks, name }) }} words={legend} />
      <MarkWords
        choice={choice}
        words={at === null ? null : dayOfAllWords(totals, at, today, passMark)}
        idle="Choose a day to see its numbers."
        days={at === null ? null : { first: at, last: at }}
        asked={at === null || at > today ? null : { figure: 'dayScore', day: at, ...overThese({ tracks, name }) }}
      />
    </ChartCard>
  );
}
