import { type Habit, dayOf, yearOfDay, yearSpan } from '@wimbel/core';
import { useLocalSearchParams, useRouter } from 'expo-router';
import { useMemo, useState } from 'react';
import { View } from 'react-native';
import { useStore } from 'react-redux';
import { GuidedBar } from '../../../components/guided/GuidedBar.tsx';
import { fullDate } from '../../../text/format.ts';
import { writeLocalSetting, readLocalSetting } from '../../../platform/localSettings.ts';
import { PATHS, lookBackPath } from '../../../platform/paths.ts';
import { selectGoals, selectHabits, selectToday, trackOf } from '../../../store/selectors.ts';
import { type RootState, useAppSelector } from '../../../store/store.ts';
import { useRecording } from '../../../sync/recording.ts';
import { themed } from '../../../theme/Theme.tsx';
import { SPACE } from '../../../theme/space.ts';
import { Button } from '../../../ui/Button.tsx';
import { Page } from '../../../ui/Frame.tsx';
import { useToast } from '../../../ui/Toast.tsx';
import { Words } from '../../../ui/Words.tsx';
import { GoalsOfYear } from './GoalsOfYear.tsx';
import { HabitsOfYear } from './HabitsOfYear.tsx';
import {
  type YearTurnDraft,
  changesOfYearTurn,
  daysFault,
  emptyYearTurn,
  goalFault,
  readYearTurn,
} from './yearTurnDraft.ts';
import { LastYear } from './LastYear.tsx';
import { YearWords } from './YearWords.tsx';
import { LookOver } from './LookOver.tsx';

const PAGES = ['figures', 'words', 'habits', 'goals', 'look'] as const;

type Step = (typeof PAGES)[number];

/** In the last weeks of a year it is about the next one, else about this one. */
const yearToCome = (today: number): number =>
  yearOfDay(today + 92) > yearOfDay(today) ? yearOfDay(today) + 1 : yearOfDay(today);

/** Habits that go on into a year. */
const goingOn = (habits: readonly Habit[], year: number): Habit[] => {
  const first = yearSpan(year).first;
  return habits.filter(({ archived, endsOn }) => !archived && (!endsOn || dayOf(endsOn) >= first));
};

/** The turn of a year, a page at a time: how it was, what it taught, how often from now on, what is next. */
export function YearTurnScreen() {
  const params = useLocalSearchParams<{ page?: string; year?: string }>();
  const today = useAppSelector(selectToday);
  const year = /^\d{4}$/.test(params.year ?? '') ? Number(params.year) : yearToCome(today);
  // What is filled in is of one year.
  return <TurnOfYear key={year} year={year} page={PAGES.find((each) => each === params.page) ?? 'figures'} />;
}

function TurnOfYear({ year, page }: { year: number; page: Step }) {
  const styles = useStyles();
  const router = useRouter();
  const toast = useToast();
  const store = useStore<RootState>();
  const { change } = useRecording();
  const today = useAppSelector(selectToday);
  const all = useAppSelector(selectHabits);
  const goals = useAppSelector(selectGoals);
  const account = useAppSelector((state) => state.account.account?.id ?? '');
  const last = useMemo(() => yearSpan(year - 1), [year]);
  const habits = useMemo(() => goingOn(all, year), [all, year]);
  const keptAs = `yearTurn.${year}.${account}`;
  const [draft, setDraft] = useState<YearTurnDraft>(() => readYearTurn(readLocalSetting(keptAs)) ?? emptyYearTurn());
  const at = PAGES.indexOf(page);
  const set = (next: YearTurnDraft): void => {
    setDraft(next);
    writeLocalSetting(keptAs, JSON.stringify(next));
  };
  const goTo = (to: Step): void => router.push(`${PATHS.yearTurn}?year=${year}&page=${to}`);
  const faultOn: Partial<Record<Step, string | null>> = {
    habits:
      Object.values(draft.habits)
        .map(({ days }) => daysFault(days))
        .find(Boolean) ?? null,
    goals: draft.goals.map((goal) => goalFault(goal, year)).find(Boolean) ?? null,
  };
  const fault = page === 'look' ? (faultOn.habits ?? faultOn.goals ?? null) : (faultOn[page] ?? null);
  const finish = (): void => {
    const changes = changesOfYearTurn(draft, {
      year,
      today,
      habits,
      firstDayOf: (habit) => trackOf(store.getState(), habit).first,
      order: (goals.at(-1)?.order ?? -1) + 1,
    });
    if (changes.length > 0) toast({ text: `${year} is set`, onUndo: change(...changes) });
    writeLocalSetting(keptAs, '');
    writeLocalSetting(`yearTurned.${year}.${account}`, 'yes');
    router.replace(changes.length > 0 ? PATHS.goals : PATHS.today);
  };
  const heads: Record<Step, [title: string, told: string]> = {
    figures: [`${year - 1}, as it was`, 'The whole year in its figures. Every page from here on can be skipped.'],
    words: [`What ${year - 1} taught you`, 'One line each. They stand in the look back on the year.'],
    habits: [
      `How often in ${year}?`,
      `What is changed here holds from ${fullDate(Math.max(yearSpan(year).first, today))} on.`,
    ],
    goals: [`What is next in ${year}?`, 'Up to three goals, each with up to three milestones and their days.'],
    look: ['Look it over', 'Nothing of it is set before you say so; everything can be changed later.'],
  };
  return (
    <Page>
      <GuidedBar at={at} pages={PAGES.length} backTo={lookBackPath('year', `${year - 1}-12-31`)} />
      <View style={[styles.body, page === 'habits' && styles.broad]}>
        <View style={styles.head}>
          <Words type="title" heading={1}>
            {heads[page][0]}
          </Words>
          <Words tone="quiet">{heads[page][1]}</Words>
        </View>
        {page === 'figures' ? <LastYear year={year - 1} /> : null}
        {page === 'words' ? <YearWords span={last} /> : null}
        {page === 'habits' ? <HabitsOfYear year={year} habits={habits} draft={draft} onChange={set} /> : null}
        {page === 'goals' ? <GoalsOfYear year={year} draft={draft} onChange={set} /> : null}
        {page === 'look' ? <LookOver year={year} habits={habits} draft={draft} /> : null}
        {fault === null ? null : (
          <View role="alert">
            <Words tone="madder">{fault}</Words>
          </View>
        )}
        <View style={styles.buttons}>
          {page === 'look' ? (
            <Button kind="main" onPress={finish} isDisabled={fault !== null}>
              {`Set ${year}`}
            </Button>
          ) : (
            <Button kind="main" onPress={() => goTo(PAGES[at + 1]!)} isDisabled={fault !== null}>
              Next
            </Button>
          )}
          {page === 'look' ? null : (
            <Button kind="bare" onPress={() => goTo('look')} isDisabled={fault !== null}>
              Skip to the end
            </Button>
          )}
        </View>
      </View>
    </Page>
  );
}

const useStyles = themed(() => ({
  body: { gap: SPACE.xl, maxWidth: 640, width: '100%' },
  broad: { maxWidth: 1096 },
  head: { gap: SPACE.s },
  buttons: { flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s },
}));
