import type { ChangesAnswer } from '@wimbel/contract';
import { type ChangesDeps, type Sent, applyChanges, applyTogether } from './service.ts';

/** From so many changes on a request is taken in by itself, so that no one waits for it. */
const FEW = 20;
/** How many people's requests are taken in with one statement. */
const MOST_TOGETHER = 32;

/**
 * Takes in what people send. While one statement is under way the next requests gather, and go in together with the next:
 * the more people there are at once, the less each costs. A person's own requests must come one after the other.
 */
export function createIntake(deps: ChangesDeps): (sent: Sent) => Promise<ChangesAnswer> {
  type Waiting = { sent: Sent; done: (answer: Promise<ChangesAnswer>) => void };
  const waiting: Waiting[] = [];
  let isRunning = false;

  async function run(): Promise<void> {
    isRunning = true;
    for (let some = waiting.splice(0, MOST_TOGETHER); some.length > 0; some = waiting.splice(0, MOST_TOGETHER)) {
      const answers = await applyTogether(
        deps,
        some.map((each) => each.sent),
      ).catch((error: unknown) => some.map(() => Promise.reject<ChangesAnswer>(error)));
      for (const [index, { done }] of some.entries()) done(answers[index]!);
    }
    isRunning = false;
  }

  return (sent) => {
    if (sent.changes.length > FEW) return applyChanges(deps, sent);
    return new Promise((resolve) => {
      waiting.push({ sent, done: resolve });
      if (!isRunning) void run();
    });
  };
}
