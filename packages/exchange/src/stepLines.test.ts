import fc from 'fast-check';
import { stepsOfText } from './stepLines.ts';

describe('a list of steps', () => {
  it('has a step a line, those indented under the line before them', () => {
    const text =
      '- Empty the hull\n  - Lift the seats\n  - Take out the mast\n    1. Loosen the stays\n- Sand\n\n\t* Buy paper\n[ ] Paint';
    expect(stepsOfText(text)).toEqual([
      { title: 'Empty the hull', depth: 0 },
      { title: 'Lift the seats', depth: 1 },
      { title: 'Take out the mast', depth: 1 },
      { title: 'Loosen the stays', depth: 2 },
      { title: 'Sand', depth: 0 },
      { title: 'Buy paper', depth: 1 },
      { title: 'Paint', depth: 0 },
    ]);
  });

  it('that begins indented begins at the edge, and half an indent back is a step beside', () => {
    expect(stepsOfText('    One\n      Two\n   Three').map(({ depth }) => depth)).toEqual([0, 1, 0]);
  });

  it('never steps in by more than one, and keeps every line that has words', () => {
    const line = fc
      .tuple(fc.nat(9), fc.stringMatching(/^[a-z]{1,8}$/))
      .map(([indent, word]) => ' '.repeat(indent) + word);
    fc.assert(
      fc.property(fc.array(line), (lines) => {
        const steps = stepsOfText(lines.join('\n'));
        expect(steps.map(({ title }) => title)).toEqual(lines.map((each) => each.trim()));
        steps.forEach(({ depth }, index) => expect(depth).toBeLessThanOrEqual((steps[index - 1]?.depth ?? -1) + 1));
      }),
    );
  });
});
