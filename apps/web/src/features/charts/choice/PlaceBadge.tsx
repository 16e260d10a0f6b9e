import { View } from 'react-native';
import { useTheme } from '../../../theme/Theme.tsx';
import { Words } from '../../../ui/Words.tsx';

/** The number that something has in a picture, in its colour: it is found by number where colours cannot be told apart. */
export function PlaceBadge({ place, color }: { place: number; color: string }) {
  const { colors } = useTheme();
  return (
    <View
      aria-hidden
      style={{
        width: 20,
        height: 20,
        borderRadius: 10,
        alignItems: 'center',
        justifyContent: 'center',
        backgroundColor: color,
      }}
    >
      <Words type="smallStrong" style={{ color: colors.raised }}>
        {place}
      </Words>
    </View>
  );
}
