import { Children, type ReactNode, startTransition, useEffect, useState } from 'react';
import { type StyleProp, View, type ViewStyle } from 'react-native';

/**
 * Mounts its children one after another, a frame between two, each as a transition, so that a page full of pictures
 * never holds up the thumb. Once there they stay; `at` children are there from the first. It is busy until all are.
 */
export function Steps({ children, at = 1, style }: { children: ReactNode; at?: number; style?: StyleProp<ViewStyle> }) {
  const all = Children.toArray(children);
  const [there, setThere] = useState(at);
  const isWhole = there >= all.length;
  useEffect(() => {
    if (isWhole) return;
    // After the frame that shows those before is painted.
    const frame = requestAnimationFrame(() => {
      timer = setTimeout(() => startTransition(() => setThere((count) => count + 1)));
    });
    let timer: ReturnType<typeof setTimeout> | undefined;
    return () => {
      cancelAnimationFrame(frame);
      clearTimeout(timer);
    };
  }, [there, isWhole]);
  return (
    <View aria-busy={!isWhole} style={style}>
      {all.slice(0, there)}
    </View>
  );
}
