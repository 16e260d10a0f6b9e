import { fireEvent, render, screen } from '@testing-library/react';
import { Circle } from 'react-native-svg';
import { MarkedPicture } from './MarkedPicture.tsx';
import { type MarkAt, markAfterKey, nearestMark } from './marks.ts';
import { useMarks } from './useMarks.ts';

/** Two rows of three. */
const MARKS: MarkAt[] = [10, 20].flatMap((y, row) => [0, 10, 20].map((x, index) => ({ key: row * 3 + index, x, y })));

describe('the mark that is meant', () => {
  it('is the nearest along the picture, or by both lengths within reach', () => {
    expect(nearestMark(MARKS, { x: 13, y: 99 }, 'x')).toBe(1);
    expect(nearestMark(MARKS, { x: 13, y: 19 }, 'both')).toBe(4);
    expect(nearestMark(MARKS, { x: 60, y: 60 }, 'both', 24)).toBeNull();
    expect(nearestMark([], { x: 0, y: 0 }, 'x')).toBeNull();
  });

  it('goes by the keys: beside, to the row above and below, to both ends', () => {
    const to = (from: number, key: string, rowStep?: number) => markAfterKey(MARKS, from, key, rowStep);
    expect([to(1, 'ArrowLeft'), to(0, 'ArrowLeft'), to(5, 'ArrowRight'), to(2, 'ArrowRight')]).toEqual([0, 0, 5, 3]);
    expect([to(1, 'ArrowDown'), to(4, 'ArrowUp'), to(4, 'ArrowDown'), to(0, 'ArrowUp')]).toEqual([4, 1, null, null]);
    expect([to(4, 'Home'), to(1, 'End'), to(1, 'PageDown'), to(4, 'PageUp')]).toEqual([0, 5, 5, 0]);
    expect([to(1, 'ArrowDown', 2), to(5, 'ArrowUp', 2)]).toEqual([3, 3]);
    expect([to(1, 'a'), to(99, 'ArrowLeft')]).toEqual([null, null]);
  });
});

describe('a picture whose marks can be named', () => {
  function Shown({ of = 'march', told }: { of?: string; told?: number }) {
    const choice = useMarks(of);
    return (
      <>
        <MarkedPicture
          label="Days"
          widthPx={40}
          heightPx={30}
          marks={MARKS}
          choice={choice}
          by="both"
          start={3}
          told={told}
        >
          <Circle cx={1} cy={1} r={1} />
        </MarkedPicture>
        <p>{`at ${choice.at ?? 'none'}, chosen ${choice.chosen ?? 'none'}`}</p>
      </>
    );
  }
  const picture = () => screen.getByRole('img', { name: 'Days' });
  const says = () => screen.getByText(/^at /).textContent;

  it('names the one under the mouse until it leaves, then the one that was tapped', () => {
    render(<Shown />);
    fireEvent.click(picture(), { clientX: 21, clientY: 11 });
    expect(says()).toBe('at 2, chosen 2');
    const move = (pointerType: string, clientX: number): void => {
      const event = new MouseEvent('pointermove', { bubbles: true, clientX, clientY: 19 });
      Object.assign(event, { pointerType });
      fireEvent(picture(), event);
    };
    move('mouse', 1);
    expect(says()).toBe('at 3, chosen 2');
    fireEvent(picture(), new MouseEvent('pointerout', { bubbles: true, relatedTarget: document.body }));
    expect(says()).toBe('at 2, chosen 2');
    // A finger that scrolls over it points at nothing.
    move('touch', 1);
    expect(says()).toBe('at 2, chosen 2');
  });

  it('begins at its start with the first key, goes on from there, and lets go with Escape', () => {
    render(<Shown />);
    const press = (key: string): boolean => fireEvent.keyDown(picture(), { key });
    press('ArrowLeft');
    expect(says()).toBe('at 3, chosen 3');
    press('ArrowRight');
    expect(says()).toBe('at 4, chosen 4');
    // A key that leads nowhere is left to the page.
    expect(press('ArrowDown')).toBe(true);
    expect(press('ArrowUp')).toBe(false);
    expect(says()).toBe('at 1, chosen 1');
    press('Escape');
    expect(says()).toBe('at none, chosen none');
  });

  it('goes on from the mark that is told while none is chosen', () => {
    render(<Shown told={4} />);
    fireEvent.keyDown(picture(), { key: 'ArrowLeft' });
    expect(says()).toBe('at 3, chosen 3');
  });

  it('forgets its choice when it is of something else', () => {
    const { rerender } = render(<Shown />);
    fireEvent.click(picture(), { clientX: 1, clientY: 9 });
    expect(says()).toBe('at 0, chosen 0');
    rerender(<Shown of="april" />);
    expect(says()).toBe('at none, chosen none');
    rerender(<Shown />);
    expect(says()).toBe('at 0, chosen 0');
  });
});
