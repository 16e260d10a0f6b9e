import { useState } from 'react';
import type { LayoutChangeEvent } from 'react-native';

/** The width a picture has to itself; 0 until it is laid out. */
export function useWidth(): [number, (event: LayoutChangeEvent) => void] {
  const [widthPx, setWidthPx] = useState(0);
  return [widthPx, ({ nativeEvent }) => setWidthPx(Math.floor(nativeEvent.layout.width))];
}
