import { useDraggable } from '@dnd-kit/core';
import { CSS } from '@dnd-kit/utilities';
import { type FiguredGoal, type Goal } from '@wimbel/core';
import { useRouter } from 'expo-router';
import GripVertical from 'lucide-react-native/icons/grip-vertical';
import MoveRight from 'lucide-react-native/icons/move-right';
import { type ReactNode } from 'react';
import { Pressable, View } from 'react-native';
import { BoringPicture } from '../../../charts/BoringPicture.tsx';
import { PACE_WORDS, STATE_WORDS, dueWords, holeColor, paceTone } from '../../../text/goalText.ts';
import { selectToday } from '../../../store/selectors.ts';
import { useAppSelector } from '../../../store/store.ts';
import { counted, percent } from '../../../text/format.ts';
import { themed, useTheme } from '../../../theme/Theme.tsx';
import { SPACE, TOUCH_PX } from '../../../theme/space.ts';
import { IconButton } from '../../../ui/IconButton.tsx';
import { Words } from '../../../ui/Words.tsx';
import { goalPath } from '../../../platform/paths.ts';
import { domRef } from '../../../ui/domRef.ts';

export const DRAG_FROM_PX = 4;

export function MovableGoal({
  figured,
  isParted,
  onMove,
}: {
  figured: FiguredGoal;
  isParted: boolean;
  onMove: (goal: Goal) => void;
}) {
  const styles = useStyles();
  const { colors } = useTheme();
  const router = useRouter();
  const today = useAppSelector(selectToday);
  const { goal, keyResults } = figured.records;
  const { figures } = figured;
  const { listeners, setNodeRef, transform, isDragging } = useDraggable({ id: goal.id });
  const isOpen = goal.state === 'open';
  const pace = isOpen ? figures.pace : null;
  const moved = { transform: CSS.Translate.toString(transform) ?? '' };
  return (
    <View ref={domRef(setNodeRef)} style={[styles.goal, isParted && styles.parted, moved, isDragging && styles.lifted]}>
      <Handle listeners={listeners}>
        <GripVertical size={20} color={colors.quiet} />
      </Handle>
      <Pressable
        role="link"
        aria-label={`${goal.title}, ${percent(figures.progress)}`}
        onPress={() => router.push(goalPath(goal.id))}
        style={styles.words}
      >
        <Words type="name">{goal.title}</Words>
        <View style={styles.line}>
          <Words type="strong">{percent(figures.progress)}</Words>
          <Words type="label" tone={paceTone(pace)}>
            {pace ? PACE_WORDS[pace] : isOpen ? '' : STATE_WORDS[goal.state]}
          </Words>
          <Words type="quiet" tone="quiet">
            {dueWords(goal, figures, today)}
          </Words>
        </View>
        {keyResults.length > 0 ? (
          <BoringPicture
            heightPx={24}
            isSmall
            label={counted(keyResults.length, 'key result')}
            parts={keyResults.map(({ id }, place) => ({
              id,
              progress: figures.keyResults[id]!.progress,
              expected: isOpen ? figures.keyResults[id]!.expected : null,
              color: holeColor(colors, place),
            }))}
          />
        ) : null}
      </Pressable>
      <IconButton
        icon={MoveRight}
        label={`Move ${goal.title} to another quarter`}
        sizePx={19}
        onPress={() => onMove(goal)}
      />
    </View>
  );
}

/** Drag handle of a goal; keyboard and screen readers use the menu beside it. */
function Handle({
  listeners,
  children,
}: {
  listeners: ReturnType<typeof useDraggable>['listeners'];
  children: ReactNode;
}) {
  return (
    <div
      {...listeners}
      aria-hidden
      data-handle=""
      style={{
        width: TOUCH_PX - 8,
        minHeight: TOUCH_PX,
        display: 'flex',
        alignItems: 'center',
        justifyContent: 'center',
        cursor: 'grab',
        touchAction: 'none',
      }}
    >
      {children}
    </div>
  );
}

const useStyles = themed((colors) => ({
  goal: { flexDirection: 'row', alignItems: 'center', minHeight: 64, backgroundColor: colors.raised },
  parted: { borderTopWidth: 1, borderTopColor: colors.line },
  lifted: { zIndex: 5, borderWidth: 1, borderColor: colors.brass, borderRadius: 12 },
  words: { flex: 1, minWidth: 0, gap: 2, paddingVertical: SPACE.m },
  line: { flexDirection: 'row', flexWrap: 'wrap', alignItems: 'baseline', columnGap: SPACE.s },
}));
