import { parseDay } from '@wimbel/core';
import { Redirect, useLocalSearchParams, useRouter } from 'expo-router';
import { useState } from 'react';
import { useRecording } from '../../../sync/recording.ts';
import { selectGoals, selectHabits, selectToday, selectTracks } from '../../../store/selectors.ts';
import { useAppSelector } from '../../../store/store.ts';
import { writeLocalSetting, readLocalSetting } from '../../../platform/localSettings.ts';
import { Button } from '../../../ui/Button.tsx';
import { Page } from '../../../ui/Frame.tsx';
import { useToast } from '../../../ui/Toast.tsx';
import { Words } from '../../../ui/Words.tsx';
import { GuidedBar } from '../../../components/guided/GuidedBar.tsx';
import { GuidedButtons, GuidedPageBody } from '../../../components/guided/GuidedPage.tsx';
import { HabitsPage, KeyResultsPage, LookPage, StepsPage } from './GuidedLists.tsx';
import { DonePage, WhatPage, WhenPage } from './GuidedWords.tsx';
import {
  GUIDED_PAGES,
  type GuidedDraft,
  type GuidedPage,
  type PageProps,
  changesOfDraft,
  emptyGuidedDraft,
  goalOfDraft,
  readGuidedDraft,
} from './guidedDraft.ts';
import { EASY_GOALS } from '../../../text/goalText.ts';
import { goalHints } from '../goalHints.ts';
import { PATHS, goalPath } from '../../../platform/paths.ts';

const HEADS: Record<GuidedPage, [title: string, good: string]> = {
  what: ['What do you want to have reached?', 'Say it as something that will be so, not as something you will try.'],
  done: ['How will you know it is done?', 'A good answer can be seen by somebody else, on a certain day.'],
  when: ['From when, until when?', 'A day close enough to be felt, far enough to be possible.'],
  keyResults: ['What shows how far you are?', 'Two to four figures that only move when you get nearer.'],
  habits: ['Which habits carry it?', 'What you do every week, whatever the day is like.'],
  steps: ['What are the first steps?', 'Small enough for this week; the first one for today or tomorrow.'],
  look: ['Look it over', 'Anything can be changed later.'],
};

/** What keeps a page from being left, in words; null where nothing does. */
function faultOf(page: GuidedPage, draft: GuidedDraft): string | null {
  if (page === 'what' && draft.title.trim() === '') return 'Give the goal a title; all else is optional';
  if (page === 'when') {
    if (parseDay(draft.startsOn) === null) return 'Choose the day it starts';
    if (draft.dueOn !== '' && parseDay(draft.dueOn) === null) return 'This day does not exist';
    if (draft.dueOn !== '' && draft.dueOn < draft.startsOn) return 'The due day is before the start';
  }
  return null;
}

/** The way from a wish to a plan, a question a page. What is written is kept on the device until the goal is set. */
export function GuidedGoalScreen() {
  const router = useRouter();
  const toast = useToast();
  const { change } = useRecording();
  const params = useLocalSearchParams<{ page?: string; habit?: string }>();
  const today = useAppSelector(selectToday);
  const goals = useAppSelector(selectGoals);
  const habits = useAppSelector(selectHabits);
  const tracks = useAppSelector(selectTracks);
  const account = useAppSelector((state) => state.account.account?.id ?? '');
  const keptAs = `goalDraft.${account}`;
  const [draft, setDraft] = useState<GuidedDraft>(() => {
    const kept = readGuidedDraft(readLocalSetting(keptAs), today) ?? emptyGuidedDraft(today);
    const isNew = params.habit !== undefined && !kept.linked.includes(params.habit);
    return isNew && params.habit ? { ...kept, linked: [...kept.linked, params.habit] } : kept;
  });
  const [fault, setFault] = useState<string | null>(null);
  const page = GUIDED_PAGES.find((each) => each === params.page) ?? 'what';
  const at = GUIDED_PAGES.indexOf(page);
  const [title, good] = HEADS[page];
  const keep = (next: GuidedDraft): void => {
    setDraft(next);
    writeLocalSetting(keptAs, JSON.stringify(next));
  };
  const set = (part: Partial<GuidedDraft>): void => {
    setFault(null);
    keep({ ...draft, ...part });
  };
  const goTo = (to: GuidedPage): void => router.push(`${PATHS.newGoal}?page=${to}`);
  const next = (): void => {
    const found = faultOf(page, draft);
    setFault(found);
    if (found === null) goTo(GUIDED_PAGES[at + 1]!);
  };
  const order = (goals.at(-1)?.order ?? -1) + 1;
  const goal = goalOfDraft(draft, order);
  const all = [...habits.filter((habit) => !habit.archived), ...draft.habits];
  const hints = goalHints({
    goal,
    keyResults: draft.keyResults,
    otherOpen: goals.filter((each) => each.state === 'open').length,
    today,
    trackOf: (id) => tracks.find((track) => track.habit.id === id),
    habits: all.filter((habit) => draft.linked.includes(habit.id) || draft.habits.includes(habit)),
  });
  const finish = (): void => {
    const wrong = GUIDED_PAGES.find((each) => faultOf(each, draft) !== null);
    if (wrong !== undefined) {
      goTo(wrong);
      return;
    }
    const changes = changesOfDraft(draft, { order, habits, habitOrder: (habits.at(-1)?.order ?? -1) + 1 });
    toast({ text: `${goal.title} is set`, onUndo: change(...changes) });
    writeLocalSetting(keptAs, '');
    router.replace(goalPath(goal.id));
  };
  const begin = (): void => {
    keep(emptyGuidedDraft(today));
    router.replace(PATHS.newGoal);
  };
  const props: PageProps = { draft, set, fault, today };
  // Back from a goal that is set leads to its pages, which are empty by now.
  if (page !== 'what' && draft.title === '') return <Redirect href={PATHS.goals} />;
  return (
    <Page>
      <WaysOut at={at} />
      <GuidedPageBody title={title} good={good}>
        {page === 'what' ? <WhatPage {...props} onDone={next} /> : null}
        {page === 'done' ? <DonePage {...props} /> : null}
        {page === 'when' ? <WhenPage {...props} /> : null}
        {page === 'keyResults' ? <KeyResultsPage {...props} goal={goal} habits={all} /> : null}
        {page === 'habits' ? <HabitsPage {...props} habits={habits.filter((habit) => !habit.archived)} /> : null}
        {page === 'steps' ? <StepsPage {...props} /> : null}
        {page === 'look' ? <LookPage {...props} habits={all} hints={hints} onGo={goTo} /> : null}
        <GuidedButtons
          finish={page === 'look' ? { label: 'Set goal', onPress: finish } : null}
          onNext={next}
          onLook={page === 'what' ? null : () => goTo('look')}
          onStartOver={page === 'what' && draft.title !== '' ? begin : null}
        />
        {page === 'what' && goals.filter((each) => each.state === 'open').length >= EASY_GOALS ? (
          <Words type="quiet" tone="quiet">
            {hints.find((hint) => hint.startsWith('With this one'))}
          </Words>
        ) : null}
      </GuidedPageBody>
    </Page>
  );
}

/** How far one is, and the way to fill it in all on one page. */
function WaysOut({ at }: { at: number }) {
  const router = useRouter();
  return (
    <GuidedBar at={at} pages={GUIDED_PAGES.length} backTo={PATHS.goals}>
      <Button kind="bare" onPress={() => router.replace(PATHS.newGoalDirect)}>
        All on one page
      </Button>
    </GuidedBar>
  );
}
