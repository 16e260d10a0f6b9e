import { View } from 'react-native';
import { useTheme } from '../../theme/Theme.tsx';
import { dyeColor } from '../../theme/dye.ts';
import { SPACE } from '../../theme/space.ts';
import { Words } from '../../ui/Words.tsx';
import { useAppSelector } from '../../store/store.ts';

/** An area with its dye, above what belongs to it; nothing where there is none. */
export function AreaName({ areaId }: { areaId: string | undefined }) {
  const { colors } = useTheme();
  const area = useAppSelector((state) => state.records.areas[areaId ?? '']);
  if (area === undefined) return null;
  return (
    <View style={{ flexDirection: 'row', alignItems: 'center', gap: SPACE.s }}>
      <View style={{ width: 10, height: 10, borderRadius: 5, backgroundColor: dyeColor(colors, area.color) }} />
      <Words type="label" tone="quiet">
        {area.name}
      </Words>
    </View>
  );
}
