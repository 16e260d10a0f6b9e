import { act, fireEvent, render, screen } from '@testing-library/react';
import { usePortions } from './usePortions.ts';

const seen: number[] = [];
function Things({ total }: { total: number }) {
  const { drawn, drawAll } = usePortions(total, 4);
  seen.push(Math.min(drawn, total));
  return <button onClick={drawAll}>All</button>;
}
const turn = (): Promise<void> => act(() => new Promise((resolve) => setTimeout(resolve, 20)));

beforeEach(() => void (seen.length = 0));

it('draws a few at once, and the others a portion at a time', async () => {
  render(<Things total={9} />);
  expect(seen).toEqual([4]);
  await turn();
  await turn();
  await turn();
  expect([...new Set(seen)]).toEqual([4, 8, 9]);
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
  await turn();
  expect(seen.at(-1)).toBe(5);
});
