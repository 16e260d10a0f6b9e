import { mostImproved } from '@wimbel/core';
import { useContext, useState } from 'react';
import { outOf } from '../../../text/amounts.ts';
import { useAppSelector } from '../../../store/store.ts';
import { percent } from '../../../text/format.ts';
import { themed, useTheme } from '../../../theme/Theme.tsx';
import { dyeColor } from '../../../theme/dye.ts';
import { Button } from '../../../ui/Button.tsx';
import { Segments } from '../../../ui/Segments.tsx';
import { Words } from '../../../ui/Words.tsx';
import { ChartCard } from './ChartCard.tsx';
import type { ReviewProps } from './reviewCard.ts';
import { rankingFigures } from './chartFigures.ts';
import { rankWords } from '../chartWords.ts';
import { beforeWords, changeWords } from '../../../text/spanText.ts';
import { IsPrinted } from '../../../components/figure/printed.ts';
import { type Line, RankedLine } from './RankedLine.tsx';

/** How many habits are listed before the others are asked for. */
const MOST_RANKED = 20;

const MOST_PRINTED = 12;

const bestFirst = ({ kind, review }: Omit<ReviewProps, 'of'>): Line[] =>
  review.habits.map((habit) => {
    const { kept, rank, rankBefore } = habit;
    const change = kind === 'all' || kept.rate === null ? '' : rankWords(rank, rankBefore);
    return {
      habit,
      place: rank,
      words: kept.rate === null ? 'nothing due yet' : `kept ${outOf(kept.kept, kept.asked)}`,
      ratio: kept.rate ?? 0,
      share: percent(kept.rate),
      change,
      isBetter: change.startsWith('up'),
      asked: { figure: 'habitKept', habitId: habit.id, span: review.span },
    };
  });

const improvedFirst = ({ review }: Omit<ReviewProps, 'of' | 'kind'>): Line[] =>
  mostImproved(review).map(({ habit, change }, index) => ({
    habit,
    place: index + 1,
    words: `kept ${outOf(habit.kept.kept, habit.kept.asked)}, before ${percent(habit.keptBefore?.rate ?? null)}`,
    ratio: habit.kept.rate ?? 0,
    share: percent(habit.kept.rate),
    change: changeWords(change),
    isBetter: change > 0,
    asked: { figure: 'habitKept', habitId: habit.id, span: review.span },
  }));

/** What was kept, habit by habit: best first with the change of rank, or by how much they improved. */
export function RankingCard({ kind, review }: Omit<ReviewProps, 'of'>) {
  const styles = useStyles();
  const { colors } = useTheme();
  const habits = useAppSelector((state) => state.records.habits);
  const areas = useAppSelector((state) => state.records.areas);
  const [order, setOrder] = useState<'best' | 'improved'>('best');
  const [isWhole, setIsWhole] = useState(false);
  const isPrinted = useContext(IsPrinted);
  const most = isPrinted ? MOST_PRINTED : MOST_RANKED;
  // Of a span in which nothing is settled there is no order yet.
  if (review.habits.length < 2 || review.kept.rate === null) return null;
  const canImprove = review.past !== null && !isPrinted;
  const isByChange = order === 'improved' && canImprove;
  const lines = (isByChange ? improvedFirst({ review }) : bestFirst({ kind, review })).filter(
    ({ habit }) => habits[habit.id] !== undefined,
  );
  const colorOf = (id: string): string => dyeColor(colors, areas[habits[id]?.areaId ?? '']?.color);
  return (
    <ChartCard
      title="Kept by habit"
      aside={kind === 'all' ? 'best first' : undefined}
      figures={() => rankingFigures(review, (id) => habits[id]?.name ?? '')}
      pictureRows={lines.map(({ habit, place, words, share, ratio }) => ({
        name: `${place}. ${habits[habit.id]!.name}`,
        text: `${words}, ${share}`,
        ratio,
        color: colorOf(habit.id),
      }))}
    >
      {canImprove ? (
        <Segments
          label="Order"
          value={order}
          choices={[
            { value: 'best', label: 'Best' },
            { value: 'improved', label: 'Most improved' },
          ]}
          onChange={setOrder}
        />
      ) : null}
      {review.past === null ? null : (
        <Words type="small" tone="quiet">
          {`Up and down are against ${beforeWords(kind, review.isByNow)}.`}
        </Words>
      )}
      {lines.length === 0 ? (
        <Words type="quiet" tone="quiet">
          No habit was due both in this span and {beforeWords(kind, review.isByNow)}.
        </Words>
      ) : null}
      {(isWhole ? lines : lines.slice(0, most)).map((line) => (
        <RankedLine
          key={line.habit.id}
          line={line}
          name={habits[line.habit.id]!.name}
          color={colorOf(line.habit.id)}
          isByChange={isByChange}
        />
      ))}
      {isPrinted && lines.length > most ? (
        <Words type="quiet" tone="quiet">
          And {lines.length - most} more.
        </Words>
      ) : null}
      {!isPrinted && lines.length > most ? (
        <Button kind="bare" onPress={() => setIsWhole(!isWhole)} style={styles.more}>
          {isWhole ? `The first ${MOST_RANKED}` : `All ${lines.length}`}
        </Button>
      ) : null}
    </ChartCard>
  );
}

const useStyles = themed(() => ({
  more: { alignSelf: 'flex-start' },
}));
