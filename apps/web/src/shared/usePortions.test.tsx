import { act, render } from '@testing-library/react';
import { usePortions } from './usePortions.ts';

const seen: number[] = [];
function Things({ total }: { total: number }) {
  const drawn = usePortions(total, 4, 3);
  seen.push(Math.min(drawn, total));
  return null;
}
const turn = (): Promise<void> => act(() => new Promise((resolve) => setTimeout(resolve, 20)));

beforeEach(() => void (seen.length = 0));

it('draws a few at once, and the others a portion at a time', async () => {
  render(<Things total={9} />);
  expect(seen).toEqual([4]);
  await turn();
  await turn();
  await turn();
  expect([...new Set(seen)]).toEqual([4, 7, 9]);
});

it('draws what is few at once, and what comes later too', async () => {
  const { rerender } = render(<Things total={4} />);
  expect(seen).toEqual([4]);
  rerender(<Things total={5} />);
  await turn();
  expect(seen.at(-1)).toBe(5);
});
