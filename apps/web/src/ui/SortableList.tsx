import {
  DndContext,
  type DragEndEvent,
  MouseSensor,
  TouchSensor,
  closestCenter,
  useSensor,
  useSensors,
} from '@dnd-kit/core';
import { SortableContext, useSortable, verticalListSortingStrategy } from '@dnd-kit/sortable';
import { CSS } from '@dnd-kit/utilities';
import GripVertical from 'lucide-react-native/icons/grip-vertical';
import { type CSSProperties, type ReactNode, useEffect, useRef, useState } from 'react';
import { View } from 'react-native';
import { themed, useTheme } from '../theme/Theme.tsx';
import { SPACE, TOUCH_PX } from '../theme/space.ts';
import { Words } from './Words.tsx';
import { domRef } from './domRef.ts';

type Item = { id: string; name: string };

type Props<I extends Item> = {
  label: string;
  items: readonly I[];
  /** Gets the ids in their new order. */
  onOrder: (ids: string[]) => void;
  children: (item: I) => ReactNode;
};

const DRAG_FROM_PX = 4;

/** A list whose items are dragged to another place by their handle, or moved by arrow keys on it. */
export function SortableList<I extends Item>({ label, items, onOrder, children }: Props<I>) {
  const [said, setSaid] = useState('');
  const moved = useRef<string | null>(null);
  const sensors = useSensors(
    useSensor(MouseSensor, { activationConstraint: { distance: DRAG_FROM_PX } }),
    useSensor(TouchSensor, { activationConstraint: { delay: 120, tolerance: 8 } }),
  );
  const ids = items.map((item) => item.id);
  const place = (id: string, to: number): void => {
    const item = items.find((each) => each.id === id);
    const from = ids.indexOf(id);
    if (item === undefined || to < 0 || to >= ids.length || to === from) return;
    const rest = ids.filter((each) => each !== id);
    moved.current = id;
    setSaid(`${item.name} is now ${to + 1} of ${ids.length}`);
    onOrder([...rest.slice(0, to), id, ...rest.slice(to)]);
  };
  // The handle that was moved by keyboard keeps the focus in its new place.
  useEffect(() => {
    if (moved.current === null) return;
    document.getElementById(`handle-${moved.current}`)?.focus();
    moved.current = null;
  }, [items]);
  const onDragEnd = ({ active, over }: DragEndEvent): void => {
    if (over) place(String(active.id), ids.indexOf(String(over.id)));
    moved.current = null;
  };
  return (
    <DndContext sensors={sensors} collisionDetection={closestCenter} onDragEnd={onDragEnd}>
      <SortableContext items={ids} strategy={verticalListSortingStrategy}>
        <View role="list" aria-label={label}>
          {items.map((item, index) => (
            <SortableRow key={item.id} item={item} index={index} onMove={(by) => place(item.id, index + by)}>
              {children(item)}
            </SortableRow>
          ))}
        </View>
      </SortableContext>
      <View role="status" aria-live="polite" style={{ position: 'absolute', opacity: 0, pointerEvents: 'none' }}>
        <Words>{said}</Words>
      </View>
    </DndContext>
  );
}

function SortableRow({
  item,
  index,
  onMove,
  children,
}: {
  item: Item;
  index: number;
  onMove: (by: -1 | 1) => void;
  children: ReactNode;
}) {
  const styles = useStyles();
  const { colors } = useTheme();
  const { listeners, setNodeRef, transform, transition, isDragging } = useSortable({ id: item.id });
  const moving: CSSProperties = { transform: CSS.Translate.toString(transform) ?? '', transition: transition ?? '' };
  return (
    <View
      ref={domRef(setNodeRef)}
      role="listitem"
      style={[styles.row, index > 0 && styles.parted, isDragging && styles.lifted, moving as object]}
    >
      <div
        {...listeners}
        id={`handle-${item.id}`}
        role="button"
        tabIndex={0}
        aria-label={`Move ${item.name}`}
        aria-description="Arrow keys move it up or down"
        onKeyDown={(event) => {
          if (event.key !== 'ArrowUp' && event.key !== 'ArrowDown') return;
          event.preventDefault();
          onMove(event.key === 'ArrowUp' ? -1 : 1);
        }}
        style={{
          width: TOUCH_PX,
          height: TOUCH_PX,
          display: 'flex',
          alignItems: 'center',
          justifyContent: 'center',
          cursor: isDragging ? 'grabbing' : 'grab',
          touchAction: 'none',
        }}
      >
        <GripVertical size={20} color={colors.quiet} />
      </div>
      <View style={styles.body}>{children}</View>
    </View>
  );
}

const useStyles = themed((colors) => ({
  row: {
    flexDirection: 'row',
    alignItems: 'center',
    minHeight: 56,
    paddingLeft: SPACE.xs,
    backgroundColor: colors.raised,
  },
  parted: { borderTopWidth: 1, borderTopColor: colors.line },
  lifted: { zIndex: 2, borderWidth: 1, borderColor: colors.brass, borderRadius: 12 },
  body: { flex: 1, minWidth: 0 },
}));
