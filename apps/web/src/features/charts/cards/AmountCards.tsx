import {
  type AmountLimit,
  type PlainDay,
  type Track,
  amountBetween,
  daysIn,
  isActiveIn,
  monthOfDay,
  monthTargetOf,
  outcomeOn,
  partsOfSpan,
  daysCompared,
  termsOn,
  tidySum,
} from '@wimbel/core';
import { useCallback, useMemo } from 'react';
import { AmountsPicture } from '../../../charts/AmountsPicture.tsx';
import { BarsPicture } from '../../../charts/BarsPicture.tsx';
import { useMarks } from '../../../charts/useMarks.ts';
import { amount, amountOf } from '../../../text/amounts.ts';
import { counted, dateNear, monthAndYear } from '../../../text/format.ts';
import { Words } from '../../../ui/Words.tsx';
import { useByMonth } from './ByMonth.tsx';
import { ChartCard } from './ChartCard.tsx';
import { type DaysProps, useAmountOn } from './DayCards.tsx';
import { useHabitColor } from './HabitCards.tsx';
import { MarkWords } from './MarkWords.tsx';
import { partWords } from '../chartWords.ts';
import { beforeWords } from '../../../text/spanText.ts';
import { FigureWords } from '../../../components/figure/Figure.tsx';

type Props = DaysProps & { track: Track };

const limitWords = (limit: AmountLimit, unit: string): string =>
  limit === null
    ? 'no threshold'
    : 'atLeast' in limit
      ? `at least ${amount(limit.atLeast, unit)}`
      : `limit ${amount(limit.atMost, unit)}`;

/** Amounts day by day against what a day has to come to; of a long span a month at a time. */
export function AmountsCard({ track, span }: Props) {
  const { habit, today } = track;
  const color = useHabitColor(habit);
  const { drawn, month, arrows } = useByMonth(span, today);
  const choice = useMarks(`${drawn.first} ${drawn.last}`);
  const amountOn = useAmountOn(habit);
  const known = useCallback((day: PlainDay) => (day > today ? null : amountOn(day)), [amountOn, today]);
  const limitOn = useCallback(
    (day: PlainDay): AmountLimit => {
      const { atLeast, atMost } = termsOn(track.terms, day);
      return typeof atLeast === 'number' ? { atLeast } : typeof atMost === 'number' ? { atMost } : null;
    },
    [track],
  );
  const isMetOn = useCallback((day: PlainDay) => outcomeOn(track, day) === 'done', [track]);
  const { measure } = habit;
  if (measure.kind !== 'amount') return null;
  const { unit } = measure;
  const sum = tidySum(amountBetween(track, drawn));
  const inAll = `${amount(sum, unit)} in ${month === null ? 'this span' : monthAndYear(month)}`;
  const legend = `${inAll}. The dotted line is the threshold; a full head is a done day.`;
  const days = Array.from({ length: daysIn(drawn) }, (_, index) => drawn.first + index).filter(
    (day) => known(day) !== null,
  );
  const at = choice.at;
  const words =
    at === null || known(at) === null
      ? null
      : `${dateNear(at, today)}: ${amount(known(at)!, unit)}, ${limitWords(limitOn(at), unit)}${isMetOn(at) ? ', done' : ''}`;
  return (
    <ChartCard
      title="Amounts"
      legend={[legend]}
      aside={arrows}
      figures={() => ({
        columns: [
          { name: 'Day', is: 'day' },
          { name: 'Amount', is: 'number' },
          { name: 'Threshold', is: 'words' },
          { name: 'Done', is: 'words' },
        ],
        rows: days.map((day) => [day, known(day), limitWords(limitOn(day), unit), isMetOn(day) ? 'done' : 'not done']),
      })}
    >
      {days.length === 0 ? (
        <Words type="quiet" tone="quiet">
          No amounts in {month === null ? 'this span' : monthAndYear(month)}.
        </Words>
      ) : (
        <>
          <AmountsPicture
            span={drawn}
            amountOn={known}
            limitOn={limitOn}
            isMetOn={isMetOn}
            color={color}
            label={`Amounts of ${habit.name}: ${inAll}, on ${counted(days.length, 'day')}. Arrow keys go from day to day.`}
            choice={choice}
          />
          <FigureWords asked={{ figure: 'habitAmount', habitId: habit.id, span: drawn }} words={legend} />
          <MarkWords
            choice={choice}
            words={words}
            idle="Choose a day to see its amount."
            days={at === null ? null : { first: at, last: at }}
          />
        </>
      )}
    </ChartCard>
  );
}

/** What each part of the span came to in amount, months with their amount target. */
export function AmountPartsCard({ track, span, kind }: Props) {
  const { habit, today } = track;
  const color = useHabitColor(habit);
  const choice = useMarks(`${kind} ${span.first} ${span.last}`);
  const { measure } = habit;
  const parts = useMemo(() => partsOfSpan(kind, span, track.weekStart), [kind, span, track]);
  if (measure.kind !== 'amount' || kind === 'week' || parts.length < 2) return null;
  const { unit } = measure;
  const rows = parts.map((part) => {
    const isThere = part.first <= today && isActiveIn(track, part);
    const sum = isThere ? tidySum(amountBetween(track, part)) : null;
    const target = kind === 'year' ? monthTargetOf(track, monthOfDay(part.first)).amount : null;
    const { label, words } = partWords(kind, { span: part }, today);
    return { part, sum, target, label, words, isRunning: part.first <= today && today < part.last };
  });
  const most = Math.max(...rows.map(({ sum, target }) => Math.max(sum ?? 0, target ?? 0)));
  const all = tidySum(amountBetween(track, span));
  const { compared, isByNow } = daysCompared(kind, span, track.weekStart, today);
  const past = compared === null || compared.last < track.first ? null : tidySum(amountBetween(track, compared));
  if (!(most > 0)) return null;
  const tell = ({ words, sum, target, isRunning }: (typeof rows)[number]): string =>
    `${words}: ${sum === null ? 'nothing' : target === null ? amount(sum, unit) : amountOf(sum, target, unit)}${isRunning ? ', still running' : ''}`;
  const legend = rows.some(({ target }) => target !== null) ? ['The lines are the targets of the months.'] : [];
  const at = choice.at === null ? undefined : rows[choice.at];
  return (
    <ChartCard
      title="Amounts compared"
      legend={legend}
      aside={`${amount(all, unit)} in all${past === null ? '' : `, ${beforeWords(kind, isByNow)} ${amount(past, unit)}`}`}
      asideAsked={{ figure: 'habitAmount', habitId: habit.id, span }}
      figures={() => ({
        columns: [
          { name: 'Part', is: 'words' },
          { name: 'Amount', is: 'number' },
          { name: 'Target', is: 'number' },
        ],
        rows: rows.map(({ words, sum, target }) => [words, sum, target]),
      })}
    >
      <BarsPicture
        label={`Amounts of ${habit.name}: ${amount(all, unit)} in all. Arrow keys go from bar to bar.`}
        bars={rows.map(({ sum, target, label, isRunning }) => ({
          label,
          text: sum === null ? '' : amount(sum, unit),
          value: sum,
          look: isRunning ? 'unfinished' : target !== null && sum !== null && sum >= target ? 'reached' : 'plain',
          color,
          mark: target,
        }))}
        most={most}
        choice={choice}
      />
      <MarkWords
        choice={choice}
        words={at === undefined ? null : tell(at)}
        idle={legend[0] ?? 'Choose a bar to see its numbers.'}
        days={at?.part ?? null}
        asked={at?.sum ? { figure: 'habitAmount', habitId: habit.id, span: at.part } : null}
      />
    </ChartCard>
  );
}
