import fc from 'fast-check';
import { bothTexts, partText, settleOther, wholeText } from './twoTexts.ts';

const both = (text: string, ...others: string[]): string => wholeText({ text, others });

describe('two texts of one', () => {
  it('are one text that anybody can read, and that is parted again', () => {
    const whole = both('Slow bow', 'Long notes\n\nRosin', 'Radio off');
    expect(whole).toBe(
      [
        'Slow bow',
        '— Written on another device at the same time —\nLong notes\n\nRosin',
        '— Written on another device at the same time —\nRadio off',
      ].join('\n\n'),
    );
    expect(partText(whole)).toEqual({ text: 'Slow bow', others: ['Long notes\n\nRosin', 'Radio off'] });
    expect(partText('Slow bow')).toEqual({ text: 'Slow bow', others: [] });
    // What is being typed stands as it was typed.
    for (const text of ['', 'Slow ', 'Slow\n', 'Slow\n\n', ' ', '\n']) {
      expect(partText(both(text, 'Radio off'))).toEqual({ text, others: ['Radio off'] });
    }
    expect(partText(both('', 'Radio off').trim())).toEqual({ text: '', others: ['Radio off'] });
  });

  it('are put together or the other is left out, each by itself', () => {
    const parted = partText(both('Slow bow', 'Long notes', 'Radio off'));
    expect(wholeText(settleOther(parted, 0, true))).toBe(both('Slow bow\n\nLong notes', 'Radio off'));
    expect(wholeText(settleOther(parted, 1, false))).toBe(both('Slow bow', 'Long notes'));
    expect(wholeText(settleOther(settleOther(parted, 0, false), 0, false))).toBe('Slow bow');
    expect(wholeText(settleOther({ text: '', others: ['Radio off'] }, 0, true))).toBe('Radio off');
    // What was written down by hand meanwhile does not stand twice.
    expect(wholeText(settleOther({ text: 'Radio off, slow bow', others: ['Radio off'] }, 0, true))).toBe(
      'Radio off, slow bow',
    );
  });

  it('stay beside one another while both sides go on, and what one side settled stays settled', () => {
    const was = both('Slow bow', 'Radio off');
    expect(bothTexts(was, both('Slow bow\nLong notes', 'Radio off'), both('Slower', 'Radio off'))).toBe(
      both('Slower', 'Radio off', 'Long notes'),
    );
    // Put together on the one, written on by the other: it stands in neither twice, and is not lost.
    expect(bothTexts(was, 'Slow bow\n\nRadio off', both('Slower', 'Radio off'))).toBe(both('Slower', 'Radio off'));
    expect(bothTexts(was, both('Slower', 'Radio off'), 'Slow bow\n\nRadio off')).toBe(
      both('Slow bow\n\nRadio off', 'Slower'),
    );
    // Left out on the one, whichever comes later.
    expect(bothTexts(was, 'Slow bow', both('Slower', 'Radio off'))).toBe('Slower');
    expect(bothTexts(was, both('Slower', 'Radio off'), 'Slow bow')).toBe(both('Slow bow', 'Slower'));
    expect(bothTexts('Slow bow', ' ', '')).toBeUndefined();
  });

  it('come back as they were from any texts and lines', () => {
    const line = fc.stringMatching(/^[a-z—]{1,8}( [a-z]{1,8})?$/);
    const text = fc.array(line, { minLength: 1, maxLength: 3 }).map((lines) => lines.join('\n'));
    fc.assert(
      fc.property(fc.oneof(fc.constant(''), text), fc.array(text, { maxLength: 3 }), (shown, others) => {
        expect(partText(wholeText({ text: shown, others }))).toEqual({ text: shown, others });
      }),
    );
  });
});
