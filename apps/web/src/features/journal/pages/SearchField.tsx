import { type DaySpan, feelingsByUse, parseDay } from '@wimbel/core';
import { useLocalSearchParams, useRouter } from 'expo-router';
import SlidersHorizontal from 'lucide-react-native/icons/sliders-horizontal';
import { useEffect, useState } from 'react';
import { View } from 'react-native';
import { spanInWords } from '../../../text/format.ts';
import { selectHabits, selectIsHidden, selectJournal, selectSettings, selectToday } from '../../../store/selectors.ts';
import { useAppSelector } from '../../../store/store.ts';
import { themed } from '../../../theme/Theme.tsx';
import { SPACE } from '../../../theme/space.ts';
import { Button } from '../../../ui/Button.tsx';
import { Chips } from '../../../ui/Chips.tsx';
import { Field, Labelled } from '../../../ui/Field.tsx';
import { IconButton } from '../../../ui/IconButton.tsx';
import { Sheet } from '../../../ui/Sheet.tsx';
import { MOODS, moodWord } from '../../../text/moodText.ts';
import type { Search } from '../search/searcher.ts';

const NOTHING: Search = { words: '', feeling: null, mood: null, habitId: null, span: null };
/** The address follows what is typed after so long a rest, so that going back comes back to it. */
const REST_MS = 150;

/** The search as typed; the route keeps it. */
export function useSearchAsked() {
  const router = useRouter();
  const { q = '' } = useLocalSearchParams<{ q?: string }>();
  const [search, setSearch] = useState<Search>({ ...NOTHING, words: q });
  const { words } = search;
  useEffect(() => {
    if (words === q) return;
    const timer = setTimeout(() => router.setParams({ q: words === '' ? undefined : words }), REST_MS);
    return () => clearTimeout(timer);
  }, [words, q, router]);
  return {
    search,
    set: (more: Partial<Search>) => setSearch({ ...search, ...more }),
    clear: () => setSearch(NOTHING),
  };
}

export type SearchAsked = ReturnType<typeof useSearchAsked>;

/** The field that looks through everything written, and what narrows it. */
export function SearchField({ asked }: { asked: SearchAsked }) {
  const styles = useStyles();
  const [isOpen, setIsOpen] = useState(false);
  const { search, set } = asked;
  const today = useAppSelector(selectToday);
  const settings = useAppSelector(selectSettings);
  const habits = useAppSelector(selectHabits);
  const narrowed = [
    search.feeling === null ? null : { value: 'feeling', label: search.feeling },
    search.mood === null ? null : { value: 'mood', label: moodWord(settings, MOODS[search.mood - 1]!) },
    search.habitId === null
      ? null
      : { value: 'habitId', label: habits.find(({ id }) => id === search.habitId)?.name ?? '' },
    search.span === null ? null : { value: 'span', label: spanInWords(search.span, today) },
  ].filter((each) => each !== null);
  return (
    <View style={styles.search}>
      <View style={styles.line}>
        <View style={styles.grow}>
          <Field
            label="Search all you have written"
            isLabelHidden
            placeholder="Search all you have written"
            value={search.words}
            onChangeText={(words) => set({ words })}
            inputMode="search"
            autoCapitalize="none"
          />
        </View>
        <IconButton icon={SlidersHorizontal} name="Narrow" label="Narrow the search" onPress={() => setIsOpen(true)} />
      </View>
      {narrowed.length === 0 ? null : (
        <Chips
          label="Narrowed to; a tap leaves it out"
          isMultiple
          chips={narrowed}
          chosen={narrowed.map(({ value }) => value)}
          onPress={(which) => set({ [which]: null })}
        />
      )}
      {isOpen ? <NarrowSheet search={search} set={set} onClose={() => setIsOpen(false)} /> : null}
    </View>
  );
}

/** Most feelings that are suggested, the most used first. */
const MOST_FEELINGS = 16;

function NarrowSheet({
  search,
  set,
  onClose,
}: {
  search: Search;
  set: (more: Partial<Search>) => void;
  onClose: () => void;
}) {
  const settings = useAppSelector(selectSettings);
  const habits = useAppSelector(selectHabits);
  const hidesMood = useAppSelector((state) => selectIsHidden(state, 'mood'));
  const feelings = feelingsByUse(useAppSelector(selectJournal)).slice(0, MOST_FEELINGS);
  const either = <T,>(value: T, chosen: T | null): T | null => (value === chosen ? null : value);
  return (
    <Sheet title="Narrow the search" onClose={onClose}>
      {hidesMood ? null : (
        <Labelled label="Pages of days that were">
          <Chips
            label="Mood"
            chips={MOODS.map((mood) => ({ value: String(mood), label: moodWord(settings, mood) }))}
            chosen={search.mood === null ? [] : [String(search.mood)]}
            onPress={(mood) => set({ mood: either(Number(mood), search.mood), habitId: null })}
          />
        </Labelled>
      )}
      {feelings.length === 0 ? null : (
        <Labelled label="Pages that felt">
          <Chips
            label="Feeling"
            chips={feelings.map((feeling) => ({ value: feeling, label: feeling }))}
            chosen={search.feeling === null ? [] : [search.feeling]}
            onPress={(feeling) => set({ feeling: either(feeling, search.feeling), habitId: null })}
          />
        </Labelled>
      )}
      {habits.length === 0 ? null : (
        <Labelled label="Notes of one habit">
          <Chips
            label="Habit"
            chips={habits.map(({ id, name }) => ({ value: id, label: name }))}
            chosen={search.habitId === null ? [] : [search.habitId]}
            onPress={(id) => set({ habitId: either(id, search.habitId), mood: null, feeling: null })}
          />
        </Labelled>
      )}
      <Days span={search.span} onChange={(span) => set({ span })} />
      <Button kind="main" onPress={onClose}>
        Show
      </Button>
    </Sheet>
  );
}

/** Two days, either of which can be left open. */
function Days({ span, onChange }: { span: DaySpan | null; onChange: (span: DaySpan | null) => void }) {
  const styles = useStyles();
  const [from, setFrom] = useState('');
  const [to, setTo] = useState('');
  const today = useAppSelector(selectToday);
  const take = (first: string, last: string): void => {
    setFrom(first);
    setTo(last);
    const [a, b] = [parseDay(first), parseDay(last)];
    onChange(a === null && b === null ? null : { first: a ?? 0, last: b ?? today });
  };
  return (
    <View style={styles.days}>
      <View style={styles.grow}>
        <Field label="From" value={span === null ? '' : from} onChangeText={(text) => take(text, to)} isDate />
      </View>
      <View style={styles.grow}>
        <Field label="To" value={span === null ? '' : to} onChangeText={(text) => take(from, text)} isDate />
      </View>
    </View>
  );
}

const useStyles = themed(() => ({
  search: { gap: SPACE.s },
  line: { flexDirection: 'row', alignItems: 'center', gap: SPACE.xs },
  grow: { flex: 1, minWidth: 0 },
  days: { flexDirection: 'row', gap: SPACE.m },
}));
