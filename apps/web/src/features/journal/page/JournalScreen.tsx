import { useRouter } from 'expo-router';
import ListChecks from 'lucide-react-native/icons/list-checks';
import { useState } from 'react';
import { View } from 'react-native';
import { DayHead } from '../../../components/page/DayHead.tsx';
import { EntrySheet } from '../../../components/entry/EntrySheet.tsx';
import { PATHS } from '../../../platform/paths.ts';
import { useDayParam } from '../../../platform/useDayParam.ts';
import { selectToday } from '../../../store/selectors.ts';
import { useAppSelector } from '../../../store/store.ts';
import { themed, useIsWide } from '../../../theme/Theme.tsx';
import { SPACE } from '../../../theme/space.ts';
import { Page } from '../../../ui/Frame.tsx';
import { IconButton } from '../../../ui/IconButton.tsx';
import { JournalTabs } from '../JournalTabs.tsx';
import { MonthWords } from './MonthWords.tsx';
import { MoodCard } from './MoodCard.tsx';
import { OtherPages } from './OtherPages.tsx';
import { PromptsCard } from './PromptsCard.tsx';
import { YourDay } from './YourDay.tsx';
import { useJournalDay } from '../../../components/journal/useJournalDay.ts';

/** A day's page: how it was and why, what it asks, and the day as it was beside the writing. */
export function JournalScreen() {
  const styles = useStyles();
  const isWide = useIsWide();
  const router = useRouter();
  const today = useAppSelector(selectToday);
  const [day, goTo] = useDayParam(PATHS.journal, today);
  const { pages, write, keepBeside, putTogether, leaveOut } = useJournalDay(day);
  const [opened, setOpened] = useState<string | null>(null);
  const own = pages.find((page) => page.part === 'day') ?? null;
  const writing = (
    <>
      <MoodCard key={`mood ${day}`} page={own} write={write} keepBeside={keepBeside} />
      <OtherPages pages={pages} putTogether={putTogether} leaveOut={leaveOut} />
      {(['morning', 'day', 'evening'] as const).map((part) => (
        <PromptsCard key={`${part} ${day}`} part={part} day={day} pages={pages} write={write} keepBeside={keepBeside} />
      ))}
    </>
  );
  const asItWas = <YourDay day={day} onOpen={setOpened} onGo={(path) => router.push(path)} />;
  return (
    <Page>
      <DayHead day={day} today={today} onDay={goTo}>
        <IconButton
          icon={ListChecks}
          name="Prompts"
          label="Prompts of the journal"
          onPress={() => router.push(PATHS.prompts)}
        />
      </DayHead>
      <JournalTabs at={PATHS.journal} />
      <MonthWords day={day} />
      {isWide ? (
        <View style={styles.columns}>
          <View style={styles.writing}>{writing}</View>
          <View style={styles.side}>{asItWas}</View>
        </View>
      ) : (
        <>
          {writing}
          {asItWas}
        </>
      )}
      {opened === null ? null : (
        <EntrySheet habitId={opened} day={day} onClose={() => setOpened(null)} onGo={(path) => router.push(path)} />
      )}
    </Page>
  );
}

const useStyles = themed(() => ({
  columns: { flexDirection: 'row', gap: SPACE.xl, alignItems: 'flex-start' },
  writing: { flex: 5, gap: SPACE.l, minWidth: 0 },
  side: { flex: 3, gap: SPACE.l, minWidth: 0 },
}));
