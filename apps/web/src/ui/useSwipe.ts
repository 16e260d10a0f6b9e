import { useRef } from 'react';
import type { GestureResponderEvent } from 'react-native';

const FAR_PX = 56;
const LEVEL_PX = 44;

/** Where a finger is. On the web a touch event has its places in a list. */
function placeOf(event: GestureResponderEvent['nativeEvent']): { x: number; y: number } {
  const touch = event.changedTouches?.[0] ?? event;
  return { x: touch.pageX, y: touch.pageY };
}

/** Handlers for a view that a thumb can swipe sideways across. */
export function useSwipe(onSwipe: (direction: 'back' | 'on') => void) {
  const start = useRef<{ x: number; y: number } | null>(null);
  return {
    onTouchStart: ({ nativeEvent }: GestureResponderEvent) => {
      start.current = placeOf(nativeEvent);
    },
    onTouchEnd: ({ nativeEvent }: GestureResponderEvent) => {
      const from = start.current;
      start.current = null;
      if (from === null) return;
      const to = placeOf(nativeEvent);
      const [dx, dy] = [to.x - from.x, to.y - from.y];
      if (Math.abs(dx) < FAR_PX || Math.abs(dy) > LEVEL_PX) return;
      onSwipe(dx > 0 ? 'back' : 'on');
    },
  };
}
