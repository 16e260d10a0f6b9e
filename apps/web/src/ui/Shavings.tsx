import { View } from 'react-native';
import Svg, { Path } from 'react-native-svg';
import { useTheme } from '../theme/Theme.tsx';

const CURL = 'M2 10c4-8 12-8 12-2s-7 6-7 2 4-4 5-1';
const PLACES = [-92, -58, -30, -6, 22, 54, 88];

/** A few wood shavings that fly off once, when something was reached. Only to be looked at; still where motion is unwanted. */
export function Shavings() {
  const { colors } = useTheme();
  return (
    <View aria-hidden pointerEvents="none" style={{ position: 'absolute', left: '50%', top: 0, width: 0, height: 0 }}>
      {PLACES.map((x, index) => (
        <View
          key={x}
          dataSet={{ shaving: String(index % 3) }}
          style={[{ position: 'absolute', left: x, top: (index % 3) * 6 }]}
        >
          <Svg width={17} height={16}>
            <Path d={CURL} fill="none" stroke={colors.wood.edge} strokeWidth={2.4} strokeLinecap="round" />
          </Svg>
        </View>
      ))}
    </View>
  );
}
