import { type Kept, type ReviewSpan, type SpanReview } from '@wimbel/core';
import { BarsPicture } from '../../../charts/BarsPicture.tsx';
import { useMarks } from '../../../charts/useMarks.ts';
import { percent } from '../../../text/format.ts';
import { useTheme } from '../../../theme/Theme.tsx';
import { ChartCard } from './ChartCard.tsx';
import { MarkWords } from './MarkWords.tsx';
import { keptFigures } from './chartFigures.ts';
import { beforeWords } from '../../../text/spanText.ts';
import type { FigureQuery } from '../../../text/figureQuery.ts';
import { keptWords } from './reviewCard.ts';

type Row = { name: string; label: string; kept: Kept; before: Kept | null; asked: FigureQuery };

/** Kept by something that comes round: weekdays, parts of the day; the span before as a line across each bar. */
export function RoundCard({
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
