import { PlanSummary, type PlannedPart } from '../../../components/guided/PlanSummary.tsx';
import { counted, dayInWords, spanInWords } from '../../../text/format.ts';
import { selectGoals, selectHabits, selectKeyResults, selectToday } from '../../../store/selectors.ts';
import { useAppSelector } from '../../../store/store.ts';
import { Words } from '../../../ui/Words.tsx';
import { EASY_GOALS } from '../../../text/goalText.ts';
import { carriersOf } from '../carriers.ts';
import { type SeasonDraft, type SeasonPage, draftSpan, withDraft } from './seasonDraft.ts';

/** The season as it was thought out, each part a way back to it, and what is worth a thought. */
export function LookPage({ draft, onGo }: { draft: SeasonDraft; onGo: (page: SeasonPage) => void }) {
  const today = useAppSelector(selectToday);
  const goals = useAppSelector(selectGoals);
  const habits = useAppSelector(selectHabits);
  const keyResults = useAppSelector(selectKeyResults);
  const steps = useAppSelector((state) => state.records.steps);
  const after = withDraft(draft, { habits, steps: Object.values(steps), keyResults });
  const chosen = draft.goalIds.flatMap((id) => [...goals, ...draft.goals].find((goal) => goal.id === id) ?? []);
  const carriers = chosen.map((goal) => ({ goal, carriers: carriersOf(goal, after) }));
  const named = carriers.flatMap((each) => each.carriers.map(({ title }) => title));
  const span = draftSpan(draft);
  const parts: PlannedPart<SeasonPage>[] = [
    ['vision', 'Vision', draft.vision.trim() || 'not said'],
    ['when', 'Title', draft.title.trim()],
    [
      'when',
      'When',
      span === null ? '' : `${spanInWords(span, today)}, until ${dayInWords(span.last)}, ${draft.weeks} weeks`,
    ],
    ['goals', 'Goals', chosen.map(({ title }) => title || 'a goal without a title').join(', ') || 'none'],
    ['carriers', 'What carries them', named.length === 0 ? 'nothing yet' : named.join(', ')],
  ];
  const hints = [
    chosen.length === 0 ? 'Without a goal its weeks are scored over all habits.' : '',
    chosen.length > EASY_GOALS
      ? `${chosen.length} goals share these weeks. With three or fewer each gets enough of them.`
      : '',
    ...carriers.flatMap(({ goal, carriers: own }) =>
      own.some(({ kind }) => kind === 'habit')
        ? []
        : [`No habit carries ${goal.title || 'one of its goals'}: its weeks will not show in the score.`],
    ),
  ].filter(Boolean);
  return (
    <>
      <PlanSummary label="The season" parts={parts} hints={hints} onGo={onGo} />
      {draft.dropped.length > 0 ? (
        <Words
          type="quiet"
          tone="quiet"
        >{`${counted(draft.dropped.length, 'thing')} left out, kept in its notes.`}</Words>
      ) : null}
    </>
  );
}
