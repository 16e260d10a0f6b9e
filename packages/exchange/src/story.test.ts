import { DEFAULT_SETTINGS, type Records, dayOf, reportOf } from '@wimbel/core';
import { LIST_COLLECTIONS } from '@wimbel/contract';
import { storyMarkdown } from './story.ts';

const TODAY = dayOf('2026-11-24');
const EMPTY = {
  settings: DEFAULT_SETTINGS,
  ...Object.fromEntries(LIST_COLLECTIONS.map((each) => [each, []])),
} as unknown as Records;

const records: Records = {
  ...EMPTY,
  goals: [
    {
      id: 'g',
      title: 'Swim *across* the bay',
      why: 'For the cold',
      startsOn: '2026-11-01',
      dueOn: '2027-03-01',
      state: 'open',
      order: 0,
    },
  ],
  keyResults: [
    { id: 'k', goalId: 'g', title: 'Metres', order: 0, measure: { kind: 'number', start: 0, target: 800, unit: 'm' } },
  ],
  checkIns: [
    { id: 'c', keyResultId: 'k', day: '2026-11-10', value: 200, note: 'Flat sea', madeAt: '2026-11-10T08:00:00Z' },
  ],
  steps: [
    { id: 'a', goalId: 'g', title: 'Buy a cap', order: 0, doneOn: '2026-11-05' },
    { id: 'b', goalId: 'g', parentId: 'a', title: 'Ask Nan', order: 0 },
  ],
  reviews: [
    { id: 'r', span: 'month', from: '2026-10-01', answers: { wentWell: 'Swam\nanyway' } },
    { id: 's', span: 'week', from: '2026-10-05', answers: {} },
  ],
};

it('tells goals with their progress by the report, what happened, and what was written when looking back', () => {
  const report = reportOf(records, TODAY);
  expect(report.goals.g!.progress).toBe(0.25);
  expect(storyMarkdown(records, report)).toBe(
    [
      '# Goals and looking back, 2026-11-24',
      '',
      '## Swim \\*across\\* the bay',
      '',
      '2026-11-01 to 2027-03-01, open: 25 %',
      '',
      'For the cold',
      '',
      '### Key results',
      '',
      '- Metres: 25 %, now 200',
      '',
      '### Steps',
      '',
      '- [x] Buy a cap, 2026-11-05',
      '  - [ ] Ask Nan',
      '',
      '### Story',
      '',
      '- 2026-11-10: Metres 0 → 200: Flat sea (25 %)',
      '- 2026-11-05: Step done: Buy a cap (0 %)',
      '- 2026-11-01: Begun (0 %)',
      '',
      '## Looking back',
      '',
      '### Month from 2026-10-01',
      '',
      '**Went well**',
      '',
      'Swam',
      'anyway',
      '',
    ].join('\n'),
  );
});

it('of nothing says nothing', () => {
  expect(storyMarkdown(EMPTY, reportOf(EMPTY, TODAY))).toBe('# Goals and looking back, 2026-11-24\n');
});
