import { useRef } from 'react';
import type { GestureResponderEvent } from 'react-native';

const FAR_PX = 56;
const LEVEL_PX = 44;

/** Handlers for a view that a thumb can swipe sideways across. */
export function useSwipe(onSwipe: (direction: 'back' | 'on') => void) {
  const start = useRef<{ x: number; y: number } | null>(null);
  return {
    onTouchStart: ({ nativeEvent }: GestureResponderEvent) => {
      start.current = { x: nativeEvent.pageX, y: nativeEvent.pageY };
    },
    onTouchEnd: ({ nativeEvent }: GestureResponderEvent) => {
      const from = start.current;
      start.current = null;
      if (from === null) return;
      const [dx, dy] = [nativeEvent.pageX - from.x, nativeEvent.pageY - from.y];
      if (Math.abs(dx) < FAR_PX || Math.abs(dy) > LEVEL_PX) return;
      onSwipe(dx > 0 ? 'back' : 'on');
    },
  };
}
