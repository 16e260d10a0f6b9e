import type { FiguredGoal } from '@wimbel/core';
import { useState } from 'react';
import { readLocalSetting } from '../../platform/localSettings.ts';
import { selectFiguredList } from '../../store/goalSelectors.ts';
import { useDeferredSelector } from '../../store/store.ts';
import { lazySheet } from '../page/lazySheet.tsx';
import { type Reached, stepsUnder, announcedKey } from './reached.ts';

const ReachedSheet = lazySheet('ReachedSheet');

const reachedIn = ({ records, figures }: FiguredGoal): string[] =>
  records.keyResults.filter(({ id }) => figures.keyResults[id]!.progress >= 1).map(({ id }) => id);

/** Which those are: where these change hands, nothing was done. */
const stepsOf = ({ records }: FiguredGoal, id: string): string =>
  stepsUnder(records, id)
    .map((step) => step.id)
    .sort()
    .join(' ');

/** Celebrates a key result when it reaches its target, once, and asks for a word on how it went. */
export function ReachedWatch() {
  const goals = useDeferredSelector(selectFiguredList);
  const [seen, setSeen] = useState(goals);
  const [waiting, setWaiting] = useState<readonly Reached[]>([]);
  const [reached] = waiting;
  // What was reached before this page was opened is not reachedNow.
  if (seen !== goals) {
    setSeen(goals);
    const before = new Set(seen.flatMap(reachedIn));
    const known = new Map(
      seen.flatMap((figured) => figured.records.keyResults.map(({ id }) => [id, stepsOf(figured, id)] as const)),
    );
    const reachedNow = goals.flatMap((figured) =>
      figured.records.goal.state !== 'open'
        ? []
        : reachedIn(figured)
            // Steps that were moved, added or taken away are no deed.
            .filter((id) => known.get(id) === stepsOf(figured, id) && !before.has(id))
            .map((id) => ({
              goal: figured.records.goal,
              keyResult: figured.records.keyResults.find((each) => each.id === id)!,
            })),
    );
    // One check-off can reach several: they are shown one after another.
    const unannounced = reachedNow.filter(({ keyResult }) => readLocalSetting(announcedKey(keyResult)) === null);
    if (unannounced.length > 0) setWaiting([...waiting, ...unannounced]);
  }
  if (reached === undefined) return null;
  return <ReachedSheet key={reached.keyResult.id} reached={reached} onClose={() => setWaiting(waiting.slice(1))} />;
}
