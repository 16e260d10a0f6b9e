import type { Season } from '@wimbel/core';
import { checkRecord } from '@wimbel/contract';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { PATHS, seasonPath } from '../../../platform/paths.ts';
import { changeTo } from '../../../store/makeChange.ts';
import { selectSeasons } from '../../../store/seasonSelectors.ts';
import { selectGoals, selectToday } from '../../../store/selectors.ts';
import { useAppSelector } from '../../../store/store.ts';
import { useRecording } from '../../../sync/recording.ts';
import { FormPage } from '../../../ui/FormPage.tsx';
import { NotHere } from '../../../ui/NotHere.tsx';
import { useToast } from '../../../ui/Toast.tsx';
import { issueWords } from '../../../text/issueText.ts';
import { DaysFields, GoalChips, VisionFields } from './SeasonFields.tsx';
import { type SeasonDraft, draftOfSeason, seasonOfDraft } from './seasonDraft.ts';
import { faultsOf, useSeasonDraft } from './useSeasonDraft.ts';

/** A season on one page: begun, or the one with `seasonId` changed. */
export function SeasonFormScreen({ seasonId }: { seasonId?: string }) {
  const season = useAppSelector((state) =>
    seasonId === undefined ? null : (state.records.seasons[seasonId] ?? undefined),
  );
  if (season === undefined) return <NotHere what="season" />;
  return season === null ? <NewSeason /> : <EditSeason key={season.id} season={season} />;
}

const FAULT = 'Some fields above need another look. Nothing you wrote is lost.';

function NewSeason() {
  const { draft, set, faults, forget } = useSeasonDraft('');
  return (
    <SeasonForm
      title="Begin a season"
      saveLabel="Begin the season"
      {...{ draft, set, faults }}
      onSave={() => seasonOfDraft(draft)}
      told={(title) => `${title} is set`}
      onSaved={forget}
    />
  );
}

function EditSeason({ season }: { season: Season }) {
  const today = useAppSelector(selectToday);
  const seasons = useAppSelector(selectSeasons);
  const [draft, setDraft] = useState(() => draftOfSeason(season));
  return (
    <SeasonForm
      title="Edit season"
      saveLabel="Save"
      draft={draft}
      set={(part) => setDraft({ ...draft, ...part })}
      faults={faultsOf(draft, seasons, today)}
      onSave={() => seasonOfDraft(draft, season.notes ? { notes: season.notes } : {})}
      told={(title) => `${title} is changed`}
      onSaved={() => undefined}
    />
  );
}

function SeasonForm({
  title,
  saveLabel,
  draft,
  set,
  faults,
  onSave,
  told,
  onSaved,
}: Parameters<typeof DaysFields>[0] & {
  title: string;
  saveLabel: string;
  onSave: () => Season;
  told: (title: string) => string;
  onSaved: () => void;
}) {
  const router = useRouter();
  const toast = useToast();
  const { change } = useRecording();
  const goals = useAppSelector(selectGoals);
  const [isTried, setIsTried] = useState(false);
  const [fault, setFault] = useState<string | null>(null);
  const open = goals.filter(({ id, state }) => state === 'open' || draft.goalIds.includes(id));
  const put = (part: Partial<SeasonDraft>): void => {
    setFault(null);
    set(part);
  };
  const fields = { draft, set: put, faults: isTried ? faults : {} };
  const save = (): void => {
    setIsTried(true);
    if (Object.keys(faults).length > 0) return setFault(FAULT);
    const season = onSave();
    // Goals set on the pages of the other way are not there yet.
    const next = { ...season, goalIds: season.goalIds.filter((id) => goals.some((goal) => goal.id === id)) };
    const { issues } = checkRecord('seasons', next);
    if (issues.length > 0) return setFault(issues.map(issueWords).join('; '));
    toast({ text: told(next.title), onUndo: change(changeTo('seasons', next)) });
    onSaved();
    router.replace(seasonPath(next.id));
  };
  return (
    <FormPage
      title={title}
      saveLabel={saveLabel}
      onSave={save}
      onBack={() => (router.canGoBack() ? router.back() : router.replace(PATHS.seasons))}
      fault={fault}
    >
      <DaysFields {...fields} />
      <VisionFields {...fields} />
      <GoalChips draft={draft} set={put} goals={open} />
    </FormPage>
  );
}
