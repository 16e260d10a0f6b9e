import { type PlainDay, dayOfNeighbour, formatDay, logSpanOf, moodByDay, parseDay, holdsDay } from '@wimbel/core';
import { useLocalSearchParams, useRouter } from 'expo-router';
import { useMemo } from 'react';
import { View } from 'react-native';
import { SpanHead } from '../../../components/page/SpanHead.tsx';
import { PATHS } from '../../../platform/paths.ts';
import { selectJournal, selectSettings, selectToday } from '../../../store/selectors.ts';
import { useAppSelector } from '../../../store/store.ts';
import { themed, useIsWide } from '../../../theme/Theme.tsx';
import { SPACE } from '../../../theme/space.ts';
import { Button } from '../../../ui/Button.tsx';
import { EmptyState } from '../../../ui/EmptyState.tsx';
import { Page } from '../../../ui/Frame.tsx';
import { Segments } from '../../../ui/Segments.tsx';
import { JournalTabs } from '../JournalTabs.tsx';
import { type Kind, MoodsCard } from './MoodsCard.tsx';
import { MoodCounts } from './MoodCounts.tsx';
import { FeelingsCard } from './FeelingsCard.tsx';

/** A month or a year of moods as one picture, their mean, and what was felt. */
export function MoodsScreen() {
  const styles = useStyles();
  const isWide = useIsWide();
  const router = useRouter();
  const params = useLocalSearchParams<{ span?: string; day?: string }>();
  const today = useAppSelector(selectToday);
  const { weekStart } = useAppSelector(selectSettings);
  const journal = useAppSelector(selectJournal);
  const moods = useMemo(() => moodByDay(journal), [journal]);
  const kind: Kind = params.span === 'year' ? 'year' : 'month';
  const day = Math.min(today, parseDay(params.day ?? '') ?? today);
  const span = useMemo(() => logSpanOf(kind, day, weekStart), [kind, day, weekStart]);
  const go = (next: Kind, to: PlainDay): void => {
    const isNow = holdsDay(logSpanOf(next, to, weekStart), today);
    router.push(`${PATHS.moods}?span=${next}${isNow ? '' : `&day=${formatDay(to)}`}`);
  };
  return (
    <Page>
      <SpanHead
        kind={kind}
        span={span}
        onBeside={(by) => go(kind, dayOfNeighbour(kind, span, by))}
        onNow={() => go(kind, today)}
      />
      <View style={[styles.choices, isWide && styles.choicesWide]}>
        <JournalTabs at={PATHS.moods} />
        <Segments<Kind>
          label="Span of moods"
          value={kind}
          choices={[
            { value: 'month', label: 'Month' },
            { value: 'year', label: 'Year' },
          ]}
          onChange={(next) => go(next, day)}
        />
      </View>
      {moods.size === 0 ? (
        <EmptyState
          title="No moods yet"
          text="Tap how a day was on its page. A month of suns shows more than one day can."
        >
          <Button kind="main" onPress={() => router.push(PATHS.journal)}>
            Open today’s page
          </Button>
        </EmptyState>
      ) : (
        <View style={isWide ? styles.columns : styles.stack}>
          <View style={styles.broad}>
            <MoodsCard kind={kind} span={span} moods={moods} />
          </View>
          <View style={styles.narrow}>
            <MoodCounts span={span} moods={moods} />
            <FeelingsCard span={span} moods={moods} />
          </View>
        </View>
      )}
    </Page>
  );
}

const useStyles = themed(() => ({
  choices: { gap: SPACE.l },
  choicesWide: { flexDirection: 'row', flexWrap: 'wrap', justifyContent: 'space-between' },
  columns: { flexDirection: 'row', gap: SPACE.xl, alignItems: 'flex-start' },
  stack: { gap: SPACE.l },
  broad: { flex: 5, minWidth: 0, gap: SPACE.l },
  narrow: { flex: 3, minWidth: 0, gap: SPACE.l },
}));
