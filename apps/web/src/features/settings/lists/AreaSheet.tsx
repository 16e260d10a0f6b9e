import { selectAreas } from '../../../store/selectors.ts';
import { useAppSelector } from '../../../store/store.ts';
import { useTheme } from '../../../theme/Theme.tsx';
import { dyeColor } from '../../../theme/dye.ts';
import { Chips } from '../../../ui/Chips.tsx';
import { Sheet } from '../../../ui/Sheet.tsx';

export function AreaSheet({ onArea, onClose }: { onArea: (areaId: string) => void; onClose: () => void }) {
  const { colors } = useTheme();
  const areas = useAppSelector(selectAreas);
  return (
    <Sheet title="Area" onClose={onClose}>
      <Chips
        label="Area"
        chips={[
          { value: '', label: 'None' },
          ...areas.map((area) => ({ value: area.id, label: area.name, dot: dyeColor(colors, area.color) })),
        ]}
        chosen={[]}
        onPress={onArea}
      />
    </Sheet>
  );
}
