import {
  dayCounts,
  dayOf,
  formatDay,
  formatMonth,
  isActiveIn,
  keptOver,
  monthFigures,
  monthOfDay,
  monthSpan,
  parseMonth,
  shareOf,
} from '@wimbel/core';
import { useLocalSearchParams, useRouter } from 'expo-router';
import ChevronLeft from 'lucide-react-native/icons/chevron-left';
import ChevronRight from 'lucide-react-native/icons/chevron-right';
import { useCallback, useMemo, useState } from 'react';
import { View } from 'react-native';
import { EntrySheet } from '../../records/EntrySheet.tsx';
import { selectHabits, selectSettings, selectToday, selectTotals, selectTracks } from '../../records/selectors.ts';
import { useAppSelector } from '../../records/store.ts';
import { counted, monthName, monthYear, percent } from '../../shared/format.ts';
import { themed, useIsWide } from '../../theme/Theme.tsx';
import { SPACE } from '../../theme/space.ts';
import { Button } from '../../ui/Button.tsx';
import { DateButton } from '../../ui/DateButton.tsx';
import { EmptyState } from '../../ui/EmptyState.tsx';
import { Page } from '../../ui/Frame.tsx';
import { IconButton } from '../../ui/IconButton.tsx';
import { Words } from '../../ui/Words.tsx';
import { Pegboard } from './Pegboard.tsx';

export function LogScreen() {
  const styles = useStyles();
  const isWide = useIsWide();
  const router = useRouter();
  const params = useLocalSearchParams<{ month?: string }>();
  const today = useAppSelector(selectToday);
  const hasHabits = useAppSelector((state) => selectHabits(state).length > 0);
  const tracks = useAppSelector(selectTracks);
  const { passMark } = useAppSelector(selectSettings);
  const current = monthOfDay(today);
  const month = parseMonth(params.month ?? '') ?? current;
  const span = useMemo(() => monthSpan(month), [month]);
  const totals = useAppSelector((state) => selectTotals(state, span));
  const active = useMemo(() => tracks.filter((track) => isActiveIn(track, span)), [tracks, span]);
  const [opened, setOpened] = useState<{ habitId: string; day: number } | null>(null);
  const open = useCallback((habitId: string, day: number) => setOpened({ habitId, day }), []);
  const goTo = (to: number): void => router.push((to === current ? '/log' : `/log?month=${formatMonth(to)}`) as never);

  const sums = active.map((track) => keptOver(track, span));
  const kept = sums.reduce((sum, each) => sum + each.kept, 0);
  const asked = sums.reduce((sum, each) => sum + each.asked, 0);
  const ribbons = active.filter((track) => monthFigures(track, month, passMark).ribbon).length;
  const { fullDays, brightDays } = dayCounts(totals, month, today, passMark);
  const soFar = month === current ? 'so far' : '';
  return (
    <Page isFull>
      <View style={styles.head}>
        <IconButton icon={ChevronLeft} label="The month before" onPress={() => goTo(month - 1)} />
        <Words type="title" heading={1}>
          {monthName(month)}
        </Words>
        <DateButton
          label="Go to a month"
          value={formatDay(month === current ? today : span.first)}
          text={monthYear(month)}
          onChange={(text) => goTo(monthOfDay(dayOf(text)))}
        />
        <IconButton icon={ChevronRight} label="The month after" onPress={() => goTo(month + 1)} />
        {month === current ? null : <Button onPress={() => goTo(current)}>This month</Button>}
      </View>
      {active.length === 0 ? (
        <EmptyState
          title={hasHabits ? 'No habits in this month' : 'The pegboard is still bare'}
          text={
            hasHabits
              ? 'None of your habits was kept then. Other months are one arrow away.'
              : 'Each habit becomes a row of holes, one for each day. Add one on Today.'
          }
        >
          {hasHabits ? null : (
            <Button kind="main" onPress={() => router.push('/habits/new')}>
              Add a habit
            </Button>
          )}
        </EmptyState>
      ) : (
        <>
          <View style={styles.summary} role="status" aria-label="The month in figures">
            <View style={styles.share}>
              <Words type="title">{percent(shareOf(kept, asked))}</Words>
              <Words tone="quiet">
                {kept} of {asked} asked {soFar}
              </Words>
            </View>
            <Words tone="quiet" type={isWide ? 'body' : 'quiet'}>
              {counted(fullDays, 'full day')} · {counted(brightDays, 'bright day')} · {counted(ribbons, 'ribbon')}
            </Words>
          </View>
          <Pegboard tracks={active} span={span} onOpen={open} />
        </>
      )}
      {opened !== null ? (
        <EntrySheet
          habitId={opened.habitId}
          day={opened.day}
          onClose={() => setOpened(null)}
          onEditHabit={() => router.push(`/habits/${opened.habitId}` as never)}
        />
      ) : null}
    </Page>
  );
}

const useStyles = themed(() => ({
  head: { flexDirection: 'row', alignItems: 'center', gap: SPACE.xs, marginLeft: -SPACE.m, flexWrap: 'wrap' },
  summary: {
    flexDirection: 'row',
    alignItems: 'baseline',
    justifyContent: 'space-between',
    flexWrap: 'wrap',
    columnGap: SPACE.xl,
  },
  share: { flexDirection: 'row', alignItems: 'baseline', gap: SPACE.s },
}));
