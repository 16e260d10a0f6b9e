import {
  type Goal,
  type GoalTurn,
  type PlainDay,
  type Records,
  type Report,
  type Review,
  type StoryItem,
  accountFigures,
  accountRecords,
  dayOf,
  formatDay,
  goalStory,
} from '@wimbel/core';
import { markdownLine, markdownText } from './takeAlong.ts';
import { inOrder } from './tables.ts';

const share = (value: number | null | undefined): string =>
  value == null ? 'no progress yet' : `${Math.round(value * 100)} %`;

const TURNS: Record<GoalTurn['kind'], string> = {
  postponed: 'Postponed',
  paused: 'Paused',
  reopened: 'Opened again',
  dropped: 'Dropped',
  reached: 'Reached',
  word: 'Changed',
  moved: 'Moved',
};

/** What happened, in a line without its day. */
function whatHappened(item: StoryItem): string {
  const note = (text: string | undefined): string => (text ? `: ${markdownLine(text)}` : '');
  switch (item.kind) {
    case 'begun':
      return 'Begun';
    case 'checkIn':
      return `${markdownLine(item.keyResult.title)} ${item.was} → ${item.checkIn.value}${note(item.checkIn.note)}`;
    case 'habit':
      return `${markdownLine(item.keyResult.title)} +${item.grown}${item.unit === '' ? '' : ` ${markdownLine(item.unit)}`}`;
    case 'step':
      return `Step done: ${markdownLine(item.step.title)}`;
    case 'milestone':
      return `Milestone: ${markdownLine(item.milestone.title)}`;
    case 'turn':
      return `${TURNS[item.turn.kind]}${item.turn.about ? ` ${markdownLine(item.turn.about)}` : ''}${note(item.turn.note)}`;
  }
}

const ticked = (title: string, doneOn: string | undefined, dueOn: string | undefined, depth = 0): string =>
  `${'  '.repeat(depth)}- [${doneOn === undefined ? ' ' : 'x'}] ${markdownLine(title)}${
    doneOn !== undefined ? `, ${doneOn}` : dueOn !== undefined ? `, due ${dueOn}` : ''
  }`;

function stepLines(records: Records, goalId: string, parentId: string | undefined, depth: number): string[] {
  return inOrder(records.steps.filter((each) => each.goalId === goalId && each.parentId === parentId)).flatMap(
    (each) => [ticked(each.title, each.doneOn, each.dueOn, depth), ...stepLines(records, goalId, each.id, depth + 1)],
  );
}

const part = (name: string, lines: readonly string[]): string[] =>
  lines.length === 0 ? [] : [`### ${name}`, '', ...lines, ''];

function goalLines(records: Records, report: Report, goal: Goal, story: readonly StoryItem[]): string[] {
  const told = report.goals[goal.id];
  const results = inOrder(records.keyResults.filter(({ goalId }) => goalId === goal.id)).map(({ id, title }) => {
    const figures = told?.keyResults[id];
    return `- ${markdownLine(title)}: ${share(figures?.progress)}${figures?.current == null ? '' : `, now ${figures.current}`}`;
  });
  const milestones = inOrder(records.milestones.filter(({ goalId }) => goalId === goal.id)).map((each) =>
    ticked(each.title, each.reachedOn, each.dueOn),
  );
  const dates = `${goal.startsOn} to ${goal.dueOn ?? 'no day'}, ${goal.state}`;
  return [
    `## ${markdownLine(goal.title)}`,
    '',
    `${dates}: ${share(told?.progress)}`,
    '',
    ...(goal.why ? [markdownText(goal.why), ''] : []),
    ...(goal.doneWhen ? [`**Done when** ${markdownText(goal.doneWhen)}`, ''] : []),
    ...part('Key results', results),
    ...part('Milestones', milestones),
    ...part('Steps', stepLines(records, goal.id, undefined, 0)),
    ...part(
      'Story',
      story.map(
        (item) =>
          `- ${formatDay(item.day)}: ${whatHappened(item)}${item.after === null ? '' : ` (${share(item.after)})`}`,
      ),
    ),
  ];
}

const ANSWERS: [key: keyof Review['answers'], words: string][] = [
  ['wentWell', 'Went well'],
  ['gotInTheWay', 'Got in the way'],
  ['nextTime', 'Next time'],
  ['wins', 'Wins'],
  ['losses', 'Losses'],
  ['lessons', 'Lessons'],
];

function reviewLines({ span, from, answers }: Review): string[] {
  const written = ANSWERS.flatMap(([key, words]) => {
    const text = answers[key];
    return typeof text === 'string' && text.trim() !== '' ? [`**${words}**`, '', markdownText(text), ''] : [];
  });
  return written.length === 0
    ? []
    : [
        `### ${span === 'week' ? `Week from ${from}` : `${span[0]!.toUpperCase()}${span.slice(1)} from ${from}`}`,
        '',
        ...written,
      ];
}

/**
 * All goals with their key results, steps, milestones and story, and all that was written when looking back, as Markdown.
 * Progress is that of the report.
 */
export function storyMarkdown(records: Records, report: Report): string {
  const today: PlainDay = dayOf(report.today);
  const figures = accountFigures(accountRecords(records), today);
  const { weekStart } = records.settings;
  const goals = inOrder(records.goals).flatMap((goal) =>
    goalLines(
      records,
      report,
      goal,
      goalStory(figures.goals.get(goal.id)!.records, (id) => figures.trackOf(id) ?? undefined, today, weekStart),
    ),
  );
  const reviews = [...records.reviews]
    .sort((a, b) => (a.from < b.from ? -1 : a.from > b.from ? 1 : 0))
    .flatMap(reviewLines);
  const lines = [
    `# Goals and looking back, ${report.today}`,
    '',
    ...goals,
    ...(reviews.length === 0 ? [] : ['## Looking back', '', ...reviews]),
  ];
  return `${lines.join('\n').trimEnd()}\n`;
}
