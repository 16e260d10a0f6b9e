import { View } from 'react-native';
import { themed } from '../theme/Theme.tsx';

/** A bar filled to a ratio; beyond 1 it stays full. The label says the numbers. */
export function ProgressBar({
  ratio,
  color,
  label,
  heightPx = 5,
}: {
  ratio: number;
  color: string;
  label: string;
  heightPx?: number;
}) {
  const styles = useStyles();
  const percent = Math.round(Math.min(1, Math.max(0, ratio)) * 100);
  return (
    <View
      role="progressbar"
      aria-label={label}
      aria-valuenow={percent}
      aria-valuemin={0}
      aria-valuemax={100}
      style={[styles.track, { height: heightPx, borderRadius: heightPx }]}
    >
      <View style={{ width: `${percent}%`, height: heightPx, borderRadius: heightPx, backgroundColor: color }} />
    </View>
  );
}

const useStyles = themed((colors) => ({
  track: { backgroundColor: colors.hole, overflow: 'hidden', alignSelf: 'stretch' },
}));
