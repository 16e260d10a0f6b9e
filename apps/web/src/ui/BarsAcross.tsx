import { Pressable, View } from 'react-native';
import { themed } from '../theme/Theme.tsx';
import { Words } from './Words.tsx';

export type Bar = {
  key: string;
  /** Below the bar. */
  label: string;
  /** What the bar says, above it; the whole of it in words for those who don't see it. */
  value: string;
  words: string;
  /** 0–1 of the room; null draws nothing. */
  ratio: number | null;
  color: string;
  /** A line across the bar at this ratio. */
  mark?: number | null;
  /** Action of a press; without one the bar is not interactive. */
  onPress?: () => void;
};

/** A few upright bars side by side, each with its figure above and its name below. */
export function BarsAcross({
  label,
  bars,
  heightPx = 72,
  markColor,
}: {
  label: string;
  bars: readonly Bar[];
  heightPx?: number;
  markColor: string;
}) {
  const styles = useStyles();
  return (
    <View role="group" aria-label={label} style={styles.row}>
      {bars.map((bar) => (
        <Pressable
          key={bar.key}
          role={bar.onPress ? 'button' : 'img'}
          aria-label={bar.onPress ? `${bar.words}. What it is made of` : bar.words}
          disabled={bar.onPress === undefined}
          onPress={bar.onPress}
          dataSet={bar.onPress ? { figure: 'bar' } : {}}
          style={styles.bar}
        >
          <Words type="small" tone="quiet" style={styles.value}>
            {bar.value}
          </Words>
          <View style={[styles.room, { height: heightPx }]}>
            {bar.ratio === null ? null : (
              <View style={[styles.fill, { height: Math.max(2, bar.ratio * heightPx), backgroundColor: bar.color }]} />
            )}
            {bar.mark === undefined || bar.mark === null ? null : (
              <View style={[styles.mark, { bottom: bar.mark * heightPx - 1, backgroundColor: markColor }]} />
            )}
          </View>
          <Words type="small" tone="quiet" numberOfLines={1}>
            {bar.label}
          </Words>
        </Pressable>
      ))}
    </View>
  );
}

const useStyles = themed(() => ({
  row: { flexDirection: 'row', justifyContent: 'space-between', gap: 2 },
  bar: { flex: 1, alignItems: 'center', gap: 3, minWidth: 0 },
  room: { alignSelf: 'stretch', justifyContent: 'flex-end', alignItems: 'center' },
  // A figure may be wider than its bar.
  value: { marginHorizontal: -16, whiteSpace: 'nowrap' },
  fill: { width: '56%', maxWidth: 20, borderRadius: 4 },
  mark: { position: 'absolute', left: 0, right: 0, height: 2 },
}));
