import { forEachInSlices } from './yieldToMain.ts';

it('work in slices is all done in order, and other tasks run in between', async () => {
  const done: number[] = [];
  let doneWhenHeard = 0;
  setTimeout(() => (doneWhenHeard = done.length));
  const busy = (each: number): void => {
    const untilMs = performance.now() + 5;
    while (performance.now() < untilMs);
    done.push(each);
  };
  await forEachInSlices(
    Array.from({ length: 20 }, (_, index) => index),
    busy,
    () => false,
  );
  expect(done).toEqual(Array.from({ length: 20 }, (_, index) => index));
  expect(doneWhenHeard).toBeGreaterThan(0);
  expect(doneWhenHeard).toBeLessThan(20);
});

it('ends as soon as it is over', async () => {
  const done: number[] = [];
  await forEachInSlices(
    [1, 2, 3],
    (each) => void done.push(each),
    () => done.length === 2,
  );
  expect(done).toEqual([1, 2]);
});
