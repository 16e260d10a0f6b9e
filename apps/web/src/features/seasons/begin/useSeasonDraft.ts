import { type Season, dayOf, parseDay, seasonLaidOver, seasonSpan } from '@wimbel/core';
import { useMemo, useState } from 'react';
import { writeLocalSetting, readLocalSetting } from '../../../platform/localSettings.ts';
import { dateNear } from '../../../text/format.ts';
import { parseTyped } from '../../../text/amounts.ts';
import { selectSeasons } from '../../../store/seasonSelectors.ts';
import { selectToday } from '../../../store/selectors.ts';
import { useAppSelector } from '../../../store/store.ts';
import { MOST_WEEKS, type SeasonDraft, draftSpan, emptySeasonDraft, readSeasonDraft } from './seasonDraft.ts';

export type SeasonFaults = { title?: string; startsOn?: string; weeks?: string; passMark?: string };

/** What is wrong with the days and the title of a draft, field by field. */
export function faultsOf(draft: SeasonDraft, seasons: readonly Season[], today: number): SeasonFaults {
  const faults: SeasonFaults = {};
  if (draft.title.trim() === '') faults.title = 'Give the season a title';
  if (parseDay(draft.startsOn) === null) faults.startsOn = 'Choose its first day';
  else if (draftSpan(draft) === null) faults.weeks = `A whole number of weeks, from 1 to ${MOST_WEEKS}`;
  const passMark = parseTyped(draft.passMark);
  if (draft.passMark.trim() !== '' && (passMark === null || passMark < 0 || passMark > 100))
    faults.passMark = 'A number from 0 to 100';
  if (faults.startsOn === undefined && faults.weeks === undefined) {
    const other = seasonLaidOver(seasons, { id: draft.id, startsOn: draft.startsOn, weeks: Number(draft.weeks) });
    if (other !== null) faults.startsOn = overWords(other, dayOf(draft.startsOn), today);
  }
  return faults;
}

/** Which season stands in the way, and what would do. */
function overWords(other: Season, starts: number, today: number): string {
  const { first, last } = seasonSpan(other);
  return starts >= first
    ? `${other.title} runs until ${dateNear(last, today)}. This one can begin on ${dateNear(last + 1, today)}`
    : `${other.title} begins on ${dateNear(first, today)}. This one has to end before that`;
}

/** The first day that no season takes from today on. */
function firstFree(seasons: readonly Season[], today: number): number {
  return seasons.reduce((day, season) => {
    const { first, last } = seasonSpan(season);
    return day >= first && day <= last ? last + 1 : day;
  }, today);
}

/** A season that is being thought out, kept on the device until it is begun. */
export function useSeasonDraft(after: string) {
  const today = useAppSelector(selectToday);
  const seasons = useAppSelector(selectSeasons);
  const account = useAppSelector((state) => state.account.account?.id ?? '');
  const keptAs = `seasonDraft.${account}`;
  const begins = firstFree(seasons, today);
  const goals = useAppSelector((state) => state.records.goals);
  /** One that says nothing yet; what is still open of the season before goes on unless one says otherwise. */
  const fresh = (): SeasonDraft => {
    const before = seasons.find(({ id }) => id === after);
    const goalIds = (before?.goalIds ?? []).filter((id) => goals[id]?.state === 'open');
    return { ...emptySeasonDraft(begins), after, goalIds };
  };
  const [draft, setDraft] = useState<SeasonDraft>(() => {
    const kept = readSeasonDraft(readLocalSetting(keptAs), begins);
    // One that follows another season is thought out for itself.
    return kept !== null && (after === '' || kept.after === after) ? kept : fresh();
  });
  const put = (next: SeasonDraft): void => {
    setDraft(next);
    writeLocalSetting(keptAs, JSON.stringify(next));
  };
  return {
    draft,
    begins,
    seasons,
    set: (part: Partial<SeasonDraft>): void => put({ ...draft, ...part }),
    startOver: (): void => put(fresh()),
    forget: (): void => writeLocalSetting(keptAs, ''),
    faults: useMemo(() => faultsOf(draft, seasons, today), [draft, seasons, today]),
  };
}
