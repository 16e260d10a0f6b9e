import pLimit from 'p-limit';
import { type AnswerJson, type ChangesDeps, type Sent, applyChanges, applyGroup } from './service.ts';

/** From so many changes on a request is taken in by itself, so that no one waits for it. */
const FEW = 20;
/** How many requests are taken in by themselves at once; they leave connections to the short ones. */
const ALONE_AT_ONCE = 3;

/** Whether a request is cheap to decide: it only marks days, on which no other record depends. */
const isShort = ({ changes }: Sent): boolean =>
  changes.length <= FEW && changes.every(({ collection, record }) => collection === 'entries' && record !== null);
/** How many people's requests are taken in with one statement. */
const MOST_TOGETHER = 32;

/**
 * Takes in what people send. While one statement is under way the next requests gather, and go in together with the next:
 * the more people there are at once, the less each costs. Longer requests are decided and written by themselves, a few at
 * once. A person's own requests must come one after the other.
 */
export function createGroupCommit(deps: ChangesDeps): (sent: Sent) => Promise<AnswerJson> {
  type Waiting = { sent: Sent; done: (answer: Promise<AnswerJson>) => void };
  const waiting: Waiting[] = [];
  let isRunning = false;
  const alone = pLimit(ALONE_AT_ONCE);

  async function run(): Promise<void> {
    isRunning = true;
    for (let some = waiting.splice(0, MOST_TOGETHER); some.length > 0; some = waiting.splice(0, MOST_TOGETHER)) {
      const answers = await applyGroup(
        deps,
        some.map((each) => each.sent),
      ).catch((error: unknown) => some.map(() => Promise.reject<AnswerJson>(error)));
      for (const [index, { done }] of some.entries()) done(answers[index]!);
    }
    isRunning = false;
  }

  return (sent) => {
    if (!isShort(sent)) return alone(() => applyChanges(deps, sent));
    return new Promise((resolve) => {
      waiting.push({ sent, done: resolve });
      if (!isRunning) void run();
    });
  };
}
