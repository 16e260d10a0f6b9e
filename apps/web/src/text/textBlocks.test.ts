import { withLinks, writtenBlocks } from './textBlocks.ts';

describe('what was written', () => {
  it('is parted into paragraphs by blank lines, and its lines stay', () => {
    expect(writtenBlocks('Rain.\nThen wind.\n\n\nSun.')).toEqual([
      { kind: 'paragraph', lines: [[{ text: 'Rain.', href: null }], [{ text: 'Then wind.', href: null }]] },
      { kind: 'paragraph', lines: [[{ text: 'Sun.', href: null }]] },
    ]);
    expect(writtenBlocks(' \n')).toEqual([]);
  });

  it('has lists where lines begin with a dash or a number; a dash inside a line is none', () => {
    const kinds = (text: string) =>
      writtenBlocks(text).map((block) =>
        block.kind === 'list' ? `${block.isNumbered ? '1' : '-'}${block.items.length}` : 'p',
      );
    expect(kinds('To do:\n- larch\n* rope\n• tar\n\n1. in\n2) out')).toEqual(['p', '-3', '12']);
    expect(kinds('Slow - and slower\n-5 degrees\n2026 was long')).toEqual(['p']);
    expect(kinds('- a\n1. b')).toEqual(['-1', '11']);
    // A blank line parts two lists.
    expect(kinds('- a\n\n- b')).toEqual(['-1', '-1']);
  });

  it('turns web addresses into links, and nothing else', () => {
    expect(withLinks('Tides: https://example.org/tides?day=1, and www.example.org.')).toEqual([
      { text: 'Tides: ', href: null },
      { text: 'https://example.org/tides?day=1', href: 'https://example.org/tides?day=1' },
      { text: ', and ', href: null },
      { text: 'www.example.org', href: 'http://www.example.org' },
      { text: '.', href: null },
    ]);
    expect(
      withLinks('javascript:alert(1) anna@example.org ftp://example.org dry.It rained').every(
        ({ href }) => href === null,
      ),
    ).toBe(true);
  });
});
