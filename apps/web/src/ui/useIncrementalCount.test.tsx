import { fireEvent, render, screen, waitFor } from '@testing-library/react';
import { useIncrementalCount } from './useIncrementalCount.ts';

const seen: number[] = [];
const begun: boolean[] = [];
function Things({ total }: { total: number }) {
  const { drawn, isBegun, drawAll } = useIncrementalCount(total, 4);
  begun.push(isBegun);
  seen.push(Math.min(drawn, total));
  return <button onClick={drawAll}>All</button>;
}
/** A starved machine may take many turns over what is drawn later. */
const untilDrawn = (total: number): Promise<void> =>
  waitFor(() => expect(seen.at(-1)).toBe(total), { timeout: 20_000 });

beforeEach(() => {
  seen.length = 0;
  begun.length = 0;
});

it('draws a few at once, and the others a portion at a time', async () => {
  render(<Things total={9} />);
  expect(seen).toEqual([4]);
  await waitFor(() => expect([...new Set(seen)]).toEqual([4, 8, 9]), { timeout: 20_000 });
});

it('draws what stands beside them before any more of them', async () => {
  render(<Things total={9} />);
  const drawnFirst = (): string[] => [...new Set(seen.map((drawn, at) => `${drawn} ${begun[at]}`))];
  await waitFor(() => expect(seen.at(-1)).toBe(9), { timeout: 20_000 });
  expect(drawnFirst()).toEqual(['4 false', '4 true', '8 true', '9 true']);
});

it('draws all at once where that is asked for', () => {
  render(<Things total={900} />);
  fireEvent.click(screen.getByText('All'));
  expect(seen).toEqual([4, 900]);
});

it('draws what is few at once, and what comes later too', async () => {
  const { rerender } = render(<Things total={4} />);
  expect(seen).toEqual([4]);
  rerender(<Things total={5} />);
  await untilDrawn(5);
});

it('gives room to what stands beside once the first are painted, and never takes it back', async () => {
  const { rerender } = render(<Things total={9} />);
  expect(begun.at(-1)).toBe(false);
  await waitFor(() => expect(begun.at(-1)).toBe(true), { timeout: 20_000 });
  begun.length = 0;
  rerender(<Things total={3} />);
  rerender(<Things total={90} />);
  await untilDrawn(90);
  expect(begun).not.toContain(false);
});

it('gives that room at once where few are drawn, and keeps it when more come', async () => {
  const { rerender } = render(<Things total={4} />);
  rerender(<Things total={5} />);
  await untilDrawn(5);
  expect(begun).not.toContain(false);
});
