import type { Track } from '@wimbel/core';
import X from 'lucide-react-native/icons/x';
import { useMemo } from 'react';
import { View } from 'react-native';
import { selectAreas, selectGoals, selectKeyResults, selectTracks } from '../../store/selectors.ts';
import { useAppSelector } from '../../store/store.ts';
import { useTheme } from '../../theme/Theme.tsx';
import { dyeColor } from '../../theme/dye.ts';
import { SPACE } from '../../theme/space.ts';
import { Button } from '../../ui/Button.tsx';
import { Chips } from '../../ui/Chips.tsx';
import { Labelled } from '../../ui/Field.tsx';
import {
  type HabitFilter,
  type HabitFilterChoice,
  formatHabitFilter,
  habitFilterChoices,
  habitFilterName,
  parseHabitFilter,
  filterTracks,
} from '../../text/habitFilter.ts';

/** Chooses which habits are shown: all, or those of an area, of a goal, or due so often. */
export function HabitFilterChips({
  only,
  onChoose,
}: {
  only: HabitFilter | null;
  onChoose: (only: HabitFilter | null) => void;
}) {
  const { colors } = useTheme();
  const choices = habitFilterChoices(
    useAppSelector(selectTracks),
    useAppSelector(selectAreas),
    useAppSelector(selectGoals),
    useAppSelector(selectKeyResults),
  );
  const chosen = [only === null ? '' : formatHabitFilter(only)];
  const group = (label: string, own: readonly HabitFilterChoice[]) =>
    own.length === 0 ? null : (
      <Labelled key={label} label={label}>
        <Chips
          label={label}
          chips={own.map((each) => ({
            value: formatHabitFilter(each.only),
            label: `${each.name} (${each.count})`,
            ...(each.color ? { dot: dyeColor(colors, each.color) } : {}),
          }))}
          chosen={chosen}
          onPress={(value) => onChoose(chosen.includes(value) ? null : parseHabitFilter(value))}
        />
      </Labelled>
    );
  return (
    <View style={{ gap: SPACE.m }}>
      {group('Only of an area', choices.area)}
      {group('Only for a goal', choices.goal)}
      {group('Only how often', choices.often)}
    </View>
  );
}

/** "Only Music", with a way back to all; nothing where all are shown. */
export function HabitFilterLine({ only, onAll }: { only: HabitFilter | null; onAll: () => void }) {
  const { colors } = useTheme();
  const name = useHabitFilterName(only);
  if (name === null) return null;
  return (
    <View style={{ flexDirection: 'row' }}>
      <Button icon={<X size={18} color={colors.ink} />} label={`Only ${name}. Show all habits`} onPress={onAll}>
        {`Only ${name}`}
      </Button>
    </View>
  );
}

/** Which of some habits are shown; the same list while none of them changed. */
export function useFilteredTracks(only: HabitFilter | null, tracks: readonly Track[]): readonly Track[] {
  const keyResults = useAppSelector(selectKeyResults);
  const isGone = useHabitFilterName(only) === null;
  return useMemo(
    () => (only === null || isGone ? tracks : filterTracks(only, tracks, keyResults)),
    [only, isGone, tracks, keyResults],
  );
}

/** What the habits that are shown have in common; null where all are shown. */
export function useHabitFilterName(only: HabitFilter | null): string | null {
  return useAppSelector((state) => (only === null ? null : habitFilterName(only, state.records)));
}
