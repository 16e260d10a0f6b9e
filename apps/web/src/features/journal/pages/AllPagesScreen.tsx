import { type PlainDay, pagesByDay, parseDay } from '@wimbel/core';
import { useLocalSearchParams, useRouter } from 'expo-router';
import CalendarDays from 'lucide-react-native/icons/calendar-days';
import FileDown from 'lucide-react-native/icons/file-down';
import { useCallback, useDeferredValue, useMemo, useRef, useState } from 'react';
import { View } from 'react-native';
import { PATHS } from '../../../platform/paths.ts';
import { selectJournal, selectToday } from '../../../store/selectors.ts';
import { useAppSelector } from '../../../store/store.ts';
import { themed, useIsWide } from '../../../theme/Theme.tsx';
import { SPACE } from '../../../theme/space.ts';
import { Button } from '../../../ui/Button.tsx';
import { Card } from '../../../ui/Card.tsx';
import { EmptyState } from '../../../ui/EmptyState.tsx';
import { IconButton } from '../../../ui/IconButton.tsx';
import { Words } from '../../../ui/Words.tsx';
import { JournalTabs } from '../JournalTabs.tsx';
import { asksAnything } from '../search/useSearch.ts';
import { FoundList } from './FoundList.tsx';
import { JumpSheet, MonthChips } from './JumpSheet.tsx';
import { ThisDayCard } from './ThisDayCard.tsx';
import { pageRows } from './pageRows.ts';
import { SearchField, useSearchAsked } from './SearchField.tsx';
import { STICKY } from '../../../theme/webStyle.ts';
import { SCROLL, PagesList } from './PagesList.tsx';

/** Every page, newest first, and the search through everything that was written. */
export function AllPagesScreen() {
  const styles = useStyles();
  const isWide = useIsWide();
  const router = useRouter();
  const today = useAppSelector(selectToday);
  const journal = useAppSelector(selectJournal);
  const asked = useSearchAsked();
  const scroll = useRef<HTMLDivElement>(null);
  const [isJumping, setIsJumping] = useState(false);
  const byDay = useMemo(() => pagesByDay(journal), [journal]);
  const rows = useMemo(() => pageRows(byDay, today), [byDay, today]);
  // The tab is there at once; the list follows without holding up anything.
  const listed = useDeferredValue(rows, null);
  const [wanted, setWanted] = useState<PlainDay | null>(parseDay(useLocalSearchParams<{ day?: string }>().day ?? ''));
  const isSearching = asksAnything(asked.search);
  const arrived = useCallback(() => setWanted(null), []);
  const jump = (day: PlainDay): void => {
    asked.clear();
    setIsJumping(false);
    setWanted(day);
  };
  return (
    // The list scrolls in the place it is in, so that only what is seen is laid out.
    <div ref={scroll} style={SCROLL} data-scroll="pages">
      <View style={[styles.page, isWide && styles.wide]}>
        <View style={styles.head}>
          <Words type="title" heading={1} style={styles.title}>
            Journal
          </Words>
          <IconButton
            icon={FileDown}
            name="Take along"
            label="Pages to take along"
            onPress={() => router.push(PATHS.takeAlong)}
          />
          <IconButton
            icon={CalendarDays}
            name="Jump"
            label="Jump to a month or a day"
            onPress={() => setIsJumping(true)}
            isDisabled={rows.length === 0}
          />
        </View>
        <JournalTabs at={PATHS.journalPages} />
        <View style={isWide && styles.columns}>
          <View style={styles.main}>
            {rows.length === 0 && !isSearching ? null : <SearchField asked={asked} />}
            {isSearching ? (
              <FoundList search={asked.search} />
            ) : rows.length === 0 ? (
              <EmptyState title="No pages yet" text="What you write, day by day, stands here to be read again.">
                <Button kind="main" onPress={() => router.push(PATHS.journal)}>
                  Write today’s page
                </Button>
              </EmptyState>
            ) : listed === null ? null : (
              <PagesList rows={listed} scroll={scroll} wanted={wanted} onThere={arrived} />
            )}
          </View>
          {isWide ? (
            <View style={styles.side}>
              <ThisDayCard byDay={byDay} />
              <Card style={styles.jump} label="Jump to a month">
                <Words type="card" heading={2}>
                  Jump to a month
                </Words>
                <MonthChips rows={rows} today={today} onDay={jump} />
              </Card>
            </View>
          ) : null}
        </View>
      </View>
      {isJumping ? <JumpSheet rows={rows} today={today} onClose={() => setIsJumping(false)} onDay={jump} /> : null}
    </div>
  );
}

const useStyles = themed(() => ({
  page: { padding: SPACE.l, paddingBottom: SPACE.xxl, gap: SPACE.l },
  wide: { paddingHorizontal: SPACE.xxl, paddingVertical: SPACE.xl, maxWidth: 1160, width: '100%' },
  columns: { flexDirection: 'row', gap: SPACE.xl, alignItems: 'flex-start' },
  main: { flex: 5, minWidth: 0, gap: SPACE.l },
  side: { flex: 2, minWidth: 220, gap: SPACE.l, position: STICKY, top: SPACE.xl },
  jump: { gap: SPACE.m },
  head: { flexDirection: 'row', alignItems: 'center' },
  title: { flex: 1 },
}));
