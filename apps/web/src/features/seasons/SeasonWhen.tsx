import type { FiguredSeason } from '@wimbel/core';
import { View } from 'react-native';
import { selectToday } from '../../store/selectors.ts';
import { useAppSelector } from '../../store/store.ts';
import { SPACE } from '../../theme/space.ts';
import { Words } from '../../ui/Words.tsx';
import { seasonWhen } from '../../text/seasonText.ts';

/** Where a season stands in time, in parts that are never torn apart. */
export function SeasonWhen({ figured, type = 'body' }: { figured: FiguredSeason; type?: 'body' | 'quiet' }) {
  const today = useAppSelector(selectToday);
  const parts = seasonWhen(figured, today);
  return (
    <View
      role="group"
      aria-label={parts.join(', ')}
      style={{ flexDirection: 'row', flexWrap: 'wrap', columnGap: SPACE.s }}
    >
      {parts.map((part, place) => (
        <Words key={part} type={type} tone="quiet">
          {place < parts.length - 1 ? `${part}  ·` : part}
        </Words>
      ))}
    </View>
  );
}
