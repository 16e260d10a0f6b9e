import { View } from 'react-native';
import { SPACE } from '../../theme/space.ts';
import { Sheet } from '../../ui/Sheet.tsx';
import { Words } from '../../ui/Words.tsx';
import { KEYS } from './board/pegboardKeys.ts';

/** The keys of the pegboard, in a small panel. */
export function KeysPanel({ onClose }: { onClose: () => void }) {
  return (
    <Sheet title="Keys of the pegboard" onClose={onClose}>
      <View style={{ gap: SPACE.s }}>
        {KEYS.map(([keys, does]) => (
          <View key={keys} style={{ flexDirection: 'row', gap: SPACE.m }}>
            <Words type="strong" style={{ width: 140 }}>
              {keys}
            </Words>
            <Words tone="quiet" style={{ flex: 1 }}>
              {does}
            </Words>
          </View>
        ))}
      </View>
      <Words type="quiet" tone="quiet">
        Tab goes to the pegboard and on from it. A long press, or the other mouse button, opens a day.
      </Words>
    </Sheet>
  );
}
