import { type Goal, type KeyResult, type PlainDay, dayOf, type Step } from '@wimbel/core';
import { useState } from 'react';
import { View } from 'react-native';
import { keepOnDevice, keptOnDevice } from '../shared/kept.ts';
import { SPACE } from '../theme/space.ts';
import { Button } from '../ui/Button.tsx';
import { Field } from '../ui/Field.tsx';
import { Shavings } from '../ui/Shavings.tsx';
import { Sheet } from '../ui/Sheet.tsx';
import { Words } from '../ui/Words.tsx';
import { type FiguredGoal, selectFiguredList } from '../store/figuredGoals.ts';
import { standingOf } from '../words/goalWords.ts';
import { useAppSelector } from '../store/store.ts';
import { useGoalActions } from './useGoalActions.ts';
import { selectToday } from '../store/selectors.ts';

/** Names the target too: a key result that is given a further one can be reached again. */
const toldName = ({ id, measure }: KeyResult): string =>
  `reached.${id}.${'target' in measure ? measure.target : measure.kind}`;

type Reached = { goal: Goal; keyResult: KeyResult };

const reachedIn = ({ records, figures }: FiguredGoal): string[] =>
  records.keyResults.filter(({ id }) => figures.keyResults[id]!.progress >= 1).map(({ id }) => id);

/** The steps that a key result is counted by, those below them too. */
function stepsUnder({ steps }: FiguredGoal['records'], keyResultId: string): Step[] {
  const byId = new Map(steps.map((step) => [step.id, step]));
  const topOf = (step: Step): Step => {
    const above = step.parentId ? byId.get(step.parentId) : undefined;
    return above === undefined ? step : topOf(above);
  };
  return steps.filter((step) => topOf(step).keyResultId === keyResultId);
}

/** Which those are: where these change hands, nothing was done. */
const stepsOf = ({ records }: FiguredGoal, id: string): string =>
  stepsUnder(records, id)
    .map((step) => step.id)
    .sort()
    .join(' ');

/** The day on which a key result got where it is: of its last check-in or step; of habits today. */
export function reachedOn({ records }: FiguredGoal, { id, measure }: KeyResult, today: PlainDay): PlainDay {
  const days =
    measure.kind === 'steps'
      ? stepsUnder(records, id).flatMap(({ doneOn }) => (doneOn ? [dayOf(doneOn)] : []))
      : 'habitId' in measure
        ? []
        : records.checkIns.filter((each) => each.keyResultId === id).map(({ day }) => dayOf(day));
  const past = days.filter((day) => day <= today);
  return past.length === 0 ? today : Math.max(...past);
}

/** Celebrates a key result when it reaches its target, once, and asks for a word on how it went. */
export function ReachedWatch() {
  const goals = useAppSelector(selectFiguredList);
  const [seen, setSeen] = useState(goals);
  const [waiting, setWaiting] = useState<readonly Reached[]>([]);
  const [reached] = waiting;
  // What was reached before this page was opened is not news.
  if (seen !== goals) {
    setSeen(goals);
    const before = new Set(seen.flatMap(reachedIn));
    const known = new Map(
      seen.flatMap((figured) => figured.records.keyResults.map(({ id }) => [id, stepsOf(figured, id)] as const)),
    );
    const news = goals.flatMap((figured) =>
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
    // One check-off can reach several: each is told in its turn.
    const untold = news.filter(({ keyResult }) => keptOnDevice(toldName(keyResult)) === null);
    if (untold.length > 0) setWaiting([...waiting, ...untold]);
  }
  if (reached === undefined) return null;
  return <ReachedSheet key={reached.keyResult.id} reached={reached} onClose={() => setWaiting(waiting.slice(1))} />;
}

function ReachedSheet({ reached: { goal, keyResult }, onClose }: { reached: Reached; onClose: () => void }) {
  const actions = useGoalActions();
  const [word, setWord] = useState('');
  const today = useAppSelector(selectToday);
  const figured = useAppSelector(selectFiguredList).find(({ records }) => records.goal.id === goal.id);
  const figures = figured?.figures.keyResults[keyResult.id];
  if (figured === undefined || figures === undefined) return null;
  const day = reachedOn(figured, keyResult, today);
  const isWhole = (figured.figures.progress ?? 0) >= 1;
  const close = (): void => {
    keepOnDevice(toldName(keyResult), 'told');
    onClose();
  };
  const keep = (): void => {
    if (word.trim() !== '') actions.word(figured.records.goal, keyResult.title, word.trim(), day);
    close();
  };
  return (
    <Sheet title={`${keyResult.title} is reached`} onClose={close}>
      <Shavings />
      <Words>
        {standingOf(keyResult, figures)}. {isWhole ? `With it all of “${goal.title}” is reached.` : ''}
      </Words>
      {isWhole && goal.reward ? <Words tone="brassText">Your reward: {goal.reward}</Words> : null}
      <Field
        label="How did it go"
        value={word}
        onChangeText={setWord}
        multiline
        maxLength={5000}
        hint="A word for later; it stays in the goal’s story."
      />
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s }}>
        {isWhole ? (
          <Button
            kind="main"
            onPress={() => {
              close();
              actions.close(figured.records.goal, 'reached', word.trim(), day);
            }}
          >
            Close the goal as reached
          </Button>
        ) : null}
        <Button kind={isWhole ? 'plain' : 'main'} onPress={keep}>
          {isWhole ? 'Leave it open' : 'Go on'}
        </Button>
      </View>
    </Sheet>
  );
}
