import { useDroppable } from '@dnd-kit/core';
import { type FiguredGoal, type Goal } from '@wimbel/core';
import { View } from 'react-native';
import { counted } from '../../../text/format.ts';
import { themed, useIsWide, useTheme } from '../../../theme/Theme.tsx';
import { SPACE } from '../../../theme/space.ts';
import { Card } from '../../../ui/Card.tsx';
import { Words } from '../../../ui/Words.tsx';
import { MovableGoal } from './MovableGoal.tsx';
import { domRef } from '../../../ui/domRef.ts';

/** Where a goal stands in the year: a quarter by its first month, or nowhere; nothing can be put on those around the year. */
export type Shelf = { key: string; title: string; quarter: number | null; isAround?: boolean };

export function ShelfCard({
  shelf,
  goals,
  onMove,
}: {
  shelf: Shelf;
  goals: readonly FiguredGoal[];
  onMove: (goal: Goal) => void;
}) {
  const styles = useStyles();
  const isWide = useIsWide();
  const { colors } = useTheme();
  const { setNodeRef, isOver } = useDroppable({ id: shelf.key, disabled: shelf.isAround ?? false });
  return (
    <View
      ref={domRef(setNodeRef)}
      role="group"
      aria-label={shelf.title}
      style={[styles.shelf, isWide && (shelf.quarter === null ? styles.whole : styles.half)]}
    >
      <View style={styles.shelfHead}>
        <Words type="label" tone="quiet" heading={2}>
          {shelf.title}
        </Words>
        <Words type="label" tone="quiet">
          {goals.length === 0 ? '' : counted(goals.length, 'goal')}
        </Words>
      </View>
      <Card isFlush style={isOver ? { borderColor: colors.brass, backgroundColor: colors.wash } : undefined}>
        {goals.length === 0 ? (
          <Words tone="quiet" style={styles.none}>
            Nothing is due here.
          </Words>
        ) : (
          goals.map((figured, place) => (
            <MovableGoal key={figured.records.goal.id} figured={figured} isParted={place > 0} onMove={onMove} />
          ))
        )}
      </Card>
    </View>
  );
}

const useStyles = themed(() => ({
  shelf: { gap: SPACE.xs },
  half: { flexBasis: '47%', flexGrow: 1 },
  whole: { flexBasis: '100%' },
  shelfHead: { flexDirection: 'row', justifyContent: 'space-between', paddingHorizontal: SPACE.xs },
  none: { padding: SPACE.l },
}));
