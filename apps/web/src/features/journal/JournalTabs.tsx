import { useRouter } from 'expo-router';
import { PATHS } from '../../platform/paths.ts';
import { selectIsHidden } from '../../store/selectors.ts';
import { useAppSelector } from '../../store/store.ts';
import { Segments } from '../../ui/Segments.tsx';

const TABS = [
  { value: PATHS.journal, label: 'Page' },
  { value: PATHS.journalPages, label: 'All pages' },
  { value: PATHS.moods, label: 'Moods' },
  { value: PATHS.lookBack, label: 'Look back' },
] as const;

type Tab = (typeof TABS)[number]['value'];

/** The parts of the journal: a day's page, all of them, moods, looking back. */
export function JournalTabs({ at }: { at: Tab }) {
  const router = useRouter();
  const hidesMood = useAppSelector((state) => selectIsHidden(state, 'mood'));
  return (
    <Segments<Tab>
      label="Part of the journal"
      value={at}
      choices={TABS.filter(({ value }) => !(hidesMood && value === PATHS.moods))}
      onChange={(to) => {
        if (to !== at) router.push(to);
      }}
    />
  );
}
