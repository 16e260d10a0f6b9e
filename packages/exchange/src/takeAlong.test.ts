import { takeAlongMarkdown } from './takeAlong.ts';

const nothing = { title: 'November', sums: [], moods: [], feelings: [], misses: [], days: [] };

describe('a page to take along as Markdown', () => {
  it('has what was chosen, each part under its head', () => {
    const text = takeAlongMarkdown({
      title: 'November 2026',
      sums: ['72 % kept, 168 of 233.'],
      moods: [{ day: '3 November', mood: 'Good' }],
      feelings: [{ feeling: 'calm', told: '4 days' }],
      misses: [{ reason: 'Storm', which: ['Cold swim, 3 November', 'Cold swim, 9 November'] }],
      days: [
        {
          day: '3 November',
          about: 'Good, calm',
          writings: [{ asked: 'What went well?', text: 'The bow.\n\nThen wind.' }],
        },
      ],
    });
    expect(text).toBe(
      [
        '# November 2026',
        '',
        '72 % kept, 168 of 233.',
        '',
        '## Mood',
        '',
        '- 3 November: Good',
        '',
        '## Feelings',
        '',
        '- calm: 4 days',
        '',
        '## Missed, and why',
        '',
        '- Storm: Cold swim, 3 November; Cold swim, 9 November',
        '',
        '## Written',
        '',
        '### 3 November',
        '',
        'Good, calm',
        '',
        '**What went well?**',
        '',
        'The bow.',
        '',
        'Then wind.',
        '',
      ].join('\n'),
    );
    expect(takeAlongMarkdown(nothing)).toBe('# November\n');
  });

  it('leaves what was typed as it was typed: no sign becomes a mark, and lists stay lists', () => {
    const written = (text: string) =>
      takeAlongMarkdown({ ...nothing, days: [{ day: 'd', about: '', writings: [{ asked: null, text }] }] })
        .split('\n')
        .slice(6)
        .join('\n');
    expect(written('# no head\n*loud* <b> [x](y) a_b')).toBe('\\# no head\n\\*loud\\* \\<b\\> \\[x\\](y) a\\_b\n');
    expect(written('- larch\n* rope\n1. tar')).toBe('- larch\n- rope\n1. tar\n');
    expect(written('> quoted')).toBe('\\> quoted\n');
  });
});
