import { useRef } from 'react';
import type { GestureResponderEvent } from 'react-native';

const FAR_PX = 56;
const LEVEL_PX = 44;

/** Position of a touch; on the web it is in `changedTouches`. */
function touchPosition(event: GestureResponderEvent['nativeEvent']): { x: number; y: number } {
  const touch = event.changedTouches?.[0] ?? event;
  return { x: touch.pageX, y: touch.pageY };
}

/** Touch handlers for horizontal swipes. */
export function useSwipe(onSwipe: (direction: 'back' | 'on') => void) {
  const start = useRef<{ x: number; y: number } | null>(null);
  return {
    onTouchStart: ({ nativeEvent }: GestureResponderEvent) => {
      start.current = touchPosition(nativeEvent);
    },
    onTouchEnd: ({ nativeEvent }: GestureResponderEvent) => {
      const from = start.current;
      start.current = null;
      if (from === null) return;
      const to = touchPosition(nativeEvent);
      const [dx, dy] = [to.x - from.x, to.y - from.y];
      if (Math.abs(dx) < FAR_PX || Math.abs(dy) > LEVEL_PX) return;
      onSwipe(dx > 0 ? 'back' : 'on');
    },
  };
}
