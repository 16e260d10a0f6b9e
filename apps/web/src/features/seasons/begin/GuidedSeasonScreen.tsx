import { type Season, formatDay, seasonSpan } from '@wimbel/core';
import { Redirect, useLocalSearchParams, useRouter } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { GuidedBar } from '../../../components/guided/GuidedBar.tsx';
import { GuidedButtons, GuidedPageBody } from '../../../components/guided/GuidedPage.tsx';
import { dateNear } from '../../../text/format.ts';
import { PATHS, seasonPath } from '../../../platform/paths.ts';
import { selectGoals, selectHabits, selectKeyResults, selectToday } from '../../../store/selectors.ts';
import { useAppSelector } from '../../../store/store.ts';
import { useRecording } from '../../../sync/recording.ts';
import { SPACE } from '../../../theme/space.ts';
import { Button } from '../../../ui/Button.tsx';
import { Page } from '../../../ui/Frame.tsx';
import { useToast } from '../../../ui/Toast.tsx';
import { CarriersPage } from './CarriersPage.tsx';
import { CarryPage } from './CarryPage.tsx';
import { GoalsPage } from './GoalsPage.tsx';
import { LookPage } from './LookPage.tsx';
import { MonthsPage } from './MonthsPage.tsx';
import { DaysFields, VisionFields } from './SeasonFields.tsx';
import {
  NEXT_PAGES,
  SEASON_PAGES,
  type SeasonDraft,
  type SeasonPage,
  changesOfSeason,
  monthlyKeyResults,
} from './seasonDraft.ts';
import { type SeasonFaults, useSeasonDraft } from './useSeasonDraft.ts';

const HEADS: Record<SeasonPage, [title: string, good: string]> = {
  carry: ['What goes on?', 'Goals and habits one by one. What does not go on keeps its record.'],
  vision: ['What is it all for?', 'Look some years ahead, and say what is so then.'],
  when: [
    'From when, for how long?',
    'Twelve weeks are short enough to feel the end and long enough for something real.',
  ],
  goals: ['What do you want to have reached by the end?', 'One to three goals. Each gets enough of your weeks then.'],
  carriers: ['What carries them?', 'What you do every week, and steps. Say what each does for the goal.'],
  months: ['Where should you be, month by month?', 'What is aimed at by the end of each month; change it as you like.'],
  look: ['Look it over', 'Anything can be changed later.'],
};

/** The way to a season, a question a page. What is written is kept on the device until it is begun. */
export function GuidedSeasonScreen() {
  const params = useLocalSearchParams<{ page?: string; after?: string }>();
  const before = useAppSelector((state) => state.records.seasons[params.after ?? ''] ?? null);
  return <Guided key={before?.id ?? ''} before={before} asked={params.page} />;
}

const TITLED: readonly SeasonPage[] = ['goals', 'carriers', 'months', 'look'];

/** What keeps a page from being left. */
const faultsOn = (page: SeasonPage, faults: SeasonFaults): boolean => page === 'when' && Object.keys(faults).length > 0;

function Guided({ before, asked }: { before: Season | null; asked: string | undefined }) {
  const router = useRouter();
  const toast = useToast();
  const { change } = useRecording();
  const { draft, set, faults, begins, startOver, forget } = useSeasonDraft(before?.id ?? '');
  const [isTried, setIsTried] = useState(false);
  const goals = useAppSelector(selectGoals);
  const habits = useAppSelector(selectHabits);
  const keyResults = useAppSelector(selectKeyResults);
  const steps = useAppSelector((state) => state.records.steps);
  const hasMonths = monthlyKeyResults(draft, [...keyResults, ...draft.keyResults]).length > 0;
  const all: readonly SeasonPage[] = before === null ? SEASON_PAGES : NEXT_PAGES;
  const pages = all.filter((each) => each !== 'months' || hasMonths);
  const page = pages.find((each) => each === asked) ?? pages[0]!;
  const at = pages.indexOf(page);
  const [title, good] = HEADS[page];
  const goTo = (to: SeasonPage): void =>
    router.push(`${PATHS.newSeason}?page=${to}${before === null ? '' : `&after=${encodeURIComponent(before.id)}`}`);
  const next = (to: SeasonPage): void => {
    setIsTried(true);
    if (faultsOn(page, faults)) return;
    setIsTried(false);
    goTo(to);
  };
  const finish = (): void => {
    if (Object.keys(faults).length > 0) {
      setIsTried(true);
      goTo('when');
      return;
    }
    const order = (list: readonly { order: number }[]): number => Math.max(-1, ...list.map((each) => each.order)) + 1;
    const changes = changesOfSeason(
      draft,
      { habits, steps: Object.values(steps), keyResults },
      { goal: order(goals), habit: order(habits) },
      before === null ? null : formatDay(seasonSpan(before).last),
    );
    const done = change(...changes);
    toast({ text: `${draft.title.trim()} is set`, onUndo: done });
    forget();
    router.replace(seasonPath(draft.id));
  };
  // Back from a season that is set leads to its pages, which are empty by now.
  if (TITLED.includes(page) && draft.title.trim() === '') return <Redirect href={PATHS.seasons} />;
  const fields = { draft, set, faults: isTried ? faults : {} };
  return (
    <Page>
      <GuidedBar at={at} pages={pages.length} backTo={PATHS.seasons}>
        {before === null ? (
          <Button kind="bare" onPress={() => router.replace(PATHS.newSeasonDirect)}>
            All on one page
          </Button>
        ) : null}
      </GuidedBar>
      <GuidedPageBody title={title} good={good} isBroad={page === 'carriers'}>
        {page === 'carry' && before !== null ? <CarryPage draft={draft} set={set} before={before} /> : null}
        {page === 'vision' ? <VisionFields {...fields} /> : null}
        {page === 'when' ? (
          <>
            {before === null ? null : <RestWeek before={before} draft={draft} set={set} begins={begins} />}
            <DaysFields {...fields} />
          </>
        ) : null}
        {page === 'goals' ? <GoalsPage draft={draft} set={set} /> : null}
        {page === 'carriers' ? <CarriersPage draft={draft} set={set} /> : null}
        {page === 'months' ? <MonthsPage draft={draft} set={set} /> : null}
        {page === 'look' ? <LookPage draft={draft} onGo={goTo} /> : null}
        <GuidedButtons
          finish={page === 'look' ? { label: 'Begin the season', onPress: finish } : null}
          onNext={() => next(pages[at + 1]!)}
          onLook={TITLED.includes(page) ? () => goTo('look') : null}
          onStartOver={at === 0 && (draft.title !== '' || draft.vision !== '') ? startOver : null}
        />
      </GuidedPageBody>
    </Page>
  );
}

/** Whether a week of rest lies between a season and the next: both ways set the first day. */
function RestWeek({
  before,
  draft,
  set,
  begins,
}: {
  before: Season;
  draft: SeasonDraft;
  set: (part: Partial<SeasonDraft>) => void;
  begins: number;
}) {
  const today = useAppSelector(selectToday);
  const first = Math.max(seasonSpan(before).last + 1, begins);
  const [soon, rested] = [formatDay(first), formatDay(first + 7)];
  return (
    <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s }}>
      <Button kind={draft.startsOn === soon ? 'main' : 'plain'} onPress={() => set({ startsOn: soon })}>
        {first === today ? 'Begin today' : `Begin on ${dateNear(first, today)}`}
      </Button>
      <Button kind={draft.startsOn === rested ? 'main' : 'plain'} onPress={() => set({ startsOn: rested })}>
        Rest a week first
      </Button>
    </View>
  );
}
