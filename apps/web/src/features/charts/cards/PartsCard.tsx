import { isAtLeast, streakUnitOn, weeksMetIn } from '@wimbel/core';
import { useRouter } from 'expo-router';
import { useContext } from 'react';
import { BarsPicture } from '../../../charts/BarsPicture.tsx';
import { useMarks } from '../../../charts/useMarks.ts';
import { selectSettings, selectToday } from '../../../store/selectors.ts';
import { useAppSelector } from '../../../store/store.ts';
import { percent } from '../../../text/format.ts';
import { useTheme } from '../../../theme/Theme.tsx';
import { PATHS } from '../../../platform/paths.ts';
import { Button } from '../../../ui/Button.tsx';
import { weeksMetWords } from '../../../text/weekText.ts';
import { ChartCard } from './ChartCard.tsx';
import { MarkWords } from './MarkWords.tsx';
import { partsFigures } from './chartFigures.ts';
import { PARTS_WORDS, partWords } from '../chartWords.ts';
import { keptAsked } from '../chartedOf.ts';
import { IsPrinted } from '../../../components/figure/printed.ts';
import { type ReviewProps, keptWords } from './reviewCard.ts';

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
