import type { PegState } from '@wimbel/core';
import { StyleSheet, View } from 'react-native';
import Svg from 'react-native-svg';
import { TOUCH_PX } from '../theme/space.ts';
import { Choice } from './Choice.tsx';
import { PegShapes } from './pegShapes.tsx';

type Props = {
  state: PegState;
  sizePx: number;
  color: string;
  ratio?: number;
  /** What a tap does and to what, for those who don't see it. */
  label: string;
  isChecked: boolean | 'mixed';
  onPress: () => void;
  onLongPress?: () => void;
  testID?: string;
};

/** A hole that a tap puts a peg into. Its touch target is never under 44 px. */
export function Peg({ state, sizePx, color, ratio, label, isChecked, onPress, onLongPress, testID }: Props) {
  const shown = state === 'notAsked' || state === 'outside' || state === 'toCome' ? 'blank' : state;
  return (
    <Choice
      role="checkbox"
      isChosen={isChecked}
      label={label}
      onPress={onPress}
      onLongPress={onLongPress}
      testID={testID}
      style={({ pressed }) => [styles.target, pressed && styles.pressed]}
    >
      <View dataSet={{ peg: '' }} style={styles.drop}>
        <PegPicture state={shown} sizePx={sizePx} color={color} ratio={ratio} />
      </View>
    </Choice>
  );
}

/** The same, only to be looked at. */
export function PegPicture({ state, sizePx, color, ratio }: Pick<Props, 'state' | 'sizePx' | 'color' | 'ratio'>) {
  const r = sizePx / 2;
  return (
    <Svg width={sizePx} height={sizePx} aria-hidden>
      <PegShapes state={state} x={r} y={r} r={r} color={color} ratio={ratio} />
    </Svg>
  );
}

const styles = StyleSheet.create({
  target: { minWidth: TOUCH_PX, minHeight: TOUCH_PX, alignItems: 'center', justifyContent: 'center' },
  pressed: { transform: [{ scale: 0.9 }] },
  drop: { transitionProperty: 'transform', transitionDuration: '120ms' },
});
