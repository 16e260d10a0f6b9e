import { useContext, useMemo } from 'react';
import { View } from 'react-native';
import { AreasRingPicture } from '../../../charts/AreasRingPicture.tsx';
import { useMarks } from '../../../charts/useMarks.ts';
import { selectAreas } from '../../../store/selectors.ts';
import { useAppSelector } from '../../../store/store.ts';
import { number, outOf } from '../../../text/amounts.ts';
import { counted, percent } from '../../../text/format.ts';
import { themed, useIsWide, useTheme } from '../../../theme/Theme.tsx';
import { dyeColor } from '../../../theme/dye.ts';
import { SPACE } from '../../../theme/space.ts';
import { Words } from '../../../ui/Words.tsx';
import { PlaceBadge } from '../choice/PlaceBadge.tsx';
import { ChartCard } from './ChartCard.tsx';
import { MarkWords } from './MarkWords.tsx';
import { areasFigures } from './chartFigures.ts';
import { beforeWords } from '../../../text/spanText.ts';
import { keptAsked } from '../chartedOf.ts';
import { FigureWords } from '../../../components/figure/Figure.tsx';
import { IsPrinted } from '../../../components/figure/printed.ts';
import { type ReviewProps, keptWords } from './reviewCard.ts';

const AREAS_LEGEND = 'As wide as its part of the done days, filled as far as it was kept.';

/** Each area's share, and how the done days divide among them. */
export function AreasCard({ kind, review, of }: ReviewProps) {
  const styles = useStyles();
  const { colors } = useTheme();
  const isWide = useIsWide();
  const isPrinted = useContext(IsPrinted);
  const areas = useAppSelector(selectAreas);
  const { tracks } = of;
  const choice = useMarks(`${kind} ${review.span.first} ${review.span.last}`);
  const rows = useMemo(() => {
    const place = new Map(areas.map((area, index) => [area.id, index]));
    const areaIndexOf = (areaId: string | null): number => place.get(areaId ?? '') ?? Infinity;
    return [...review.areas]
      .sort((a, b) => areaIndexOf(a.areaId) - areaIndexOf(b.areaId))
      .map((row) => {
        const area = areas.find((each) => each.id === row.areaId);
        const before = review.past?.areas.find((each) => each.areaId === row.areaId)?.kept.rate ?? null;
        const name = area?.name ?? 'No area';
        const own = tracks.filter(({ habit }) => (habit.areaId ?? null) === row.areaId);
        const asked = keptAsked({ habitId: null, name, tracks: own }, review.span);
        return { ...row, name, color: dyeColor(colors, area?.color), before, asked };
      });
  }, [review, areas, colors, tracks]);
  const parts = useMemo(() => rows.map(({ color, done, kept }) => ({ color, count: done, share: kept.rate })), [rows]);
  const done = rows.reduce((sum, row) => sum + row.done, 0);
  if (rows.length < 2 || done === 0) return null;
  const at = choice.at === null ? undefined : rows[choice.at];
  return (
    <ChartCard
      title="By area"
      aside={`${counted(done, 'day')} done`}
      legend={[
        ...rows.map((row, index) => `${index + 1} ${row.name}: kept ${keptWords(row.kept)}, ${row.done} done`),
        AREAS_LEGEND,
      ]}
      figures={() =>
        areasFigures(
          review.areas,
          review.past?.areas ?? [],
          (id) => areas.find((each) => each.id === id)?.name ?? 'No area',
        )
      }
    >
      <View style={isWide && !isPrinted ? styles.beside : styles.below}>
        <AreasRingPicture
          parts={parts}
          label={`Done days by area: ${rows.map((row) => `${row.name} ${row.done}`).join(', ')}. Arrow keys go from part to part.`}
          middle={{ figure: number(done), words: done === 1 ? 'day done' : 'days done' }}
          choice={choice}
        />
        <View style={styles.rows}>
          {rows.map(({ areaId, name, color, kept, done: own, before, asked }, index) => (
            <View
              key={areaId ?? 'none'}
              role="group"
              aria-label={`${name}: ${keptWords(kept)}, ${counted(own, 'day')} done`}
              style={[styles.row, choice.at === index && styles.looked]}
            >
              <PlaceBadge place={index + 1} color={color} />
              <View style={styles.grow}>
                <Words>{name}</Words>
                <Words type="quiet" tone="quiet">
                  {kept.asked === 0 ? 'nothing due' : `kept ${outOf(kept.kept, kept.asked)}`}, {number(own)} done
                  {before === null ? '' : `, before ${percent(before)}`}
                </Words>
              </View>
              <View style={styles.share}>
                <FigureWords
                  asked={kept.asked === 0 ? null : asked}
                  words={percent(kept.rate)}
                  label={`${name}: ${keptWords(kept)}`}
                  type="strong"
                />
              </View>
            </View>
          ))}
        </View>
      </View>
      {review.past === null ? null : (
        <Words type="small" tone="quiet">
          {`Before is ${beforeWords(kind, review.isByNow)}.`}
        </Words>
      )}
      <MarkWords
        choice={choice}
        words={
          at === undefined
            ? null
            : `${at.name}: ${at.done} of ${counted(done, 'done day')}, ${percent(at.done / done)}; kept ${keptWords(at.kept)}`
        }
        idle={AREAS_LEGEND}
        days={null}
        asked={at === undefined || at.kept.asked === 0 ? null : at.asked}
      />
    </ChartCard>
  );
}

const useStyles = themed((colors) => ({
  beside: { flexDirection: 'row', alignItems: 'center', gap: SPACE.xl },
  below: { gap: SPACE.m },
  rows: { flex: 1, minWidth: 0 },
  row: {
    flexDirection: 'row',
    alignItems: 'center',
    gap: SPACE.s,
    paddingVertical: 4,
    paddingHorizontal: 6,
    marginHorizontal: -6,
    borderRadius: 8,
  },
  looked: { backgroundColor: colors.hole },
  grow: { flex: 1, minWidth: 0 },
  share: { minWidth: 52, alignItems: 'flex-end' },
}));
