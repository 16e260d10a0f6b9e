import { whenLeader } from './leaderTab.ts';

/** The browser's locks: one at a time holds a name, the others wait in order. */
function pretendLocks() {
  let last: Promise<void> = Promise.resolve();
  return {
    request: (_name: string, { signal }: { signal: AbortSignal }, held: () => Promise<void>): Promise<void> => {
      const mine = last.then(() => {
        if (signal.aborted) throw new Error('not waited for any more');
        return held();
      });
      last = mine.catch(() => undefined);
      return mine;
    },
  };
}

const soon = (): Promise<void> => new Promise((resolve) => setTimeout(resolve, 5));

describe('of all tabs', () => {
  it('one is chosen, and when it goes the next one is', async () => {
    const locks = pretendLocks();
    const told: string[] = [];
    const open = (name: string) =>
      whenLeader('a', () => (told.push(`${name} begins`), () => void told.push(`${name} ends`)), locks);
    const [first, second, third] = [open('first'), open('second'), open('third')];
    await soon();
    expect(told).toEqual(['first begins']);
    second!();
    first!();
    await soon();
    expect(told).toEqual(['first begins', 'first ends', 'third begins']);
    third!();
    expect(told.at(-1)).toBe('third ends');
  });

  it('each is chosen where a browser has no locks', () => {
    const begun = jest.fn(() => () => undefined);
    whenLeader('a', begun, undefined);
    whenLeader('a', begun, undefined);
    expect(begun).toHaveBeenCalledTimes(2);
  });
});
