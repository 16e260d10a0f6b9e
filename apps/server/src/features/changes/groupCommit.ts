import pLimit from 'p-limit';
import { type AnswerJson, type ChangesDeps, type Sent, applyChanges, applyGroup } from './service.ts';

/** Requests with more changes are applied alone, so that no other waits for them. */
const FEW = 20;
/** Concurrent requests applied alone; the remaining connections serve short ones. */
const MOST_ALONE = 3;

/** Whether a request is cheap: it only marks days, on which no other record depends. */
const isShort = ({ changes }: Sent): boolean =>
  changes.length <= FEW && changes.every(({ collection, record }) => collection === 'entries' && record !== null);
/** Largest group. */
const MOST_IN_GROUP = 32;

/**
 * Group commit: requests that arrive while a statement runs are written together by the next one, so that the cost per request
 * falls under load. Long requests are applied alone, a few at a time. An account's own requests must be sequential.
 */
export function createGroupCommit(deps: ChangesDeps): (sent: Sent) => Promise<AnswerJson> {
  type Waiting = { sent: Sent; done: (answer: Promise<AnswerJson>) => void };
  const waiting: Waiting[] = [];
  let isRunning = false;
  const alone = pLimit(MOST_ALONE);

  async function run(): Promise<void> {
    isRunning = true;
    for (let some = waiting.splice(0, MOST_IN_GROUP); some.length > 0; some = waiting.splice(0, MOST_IN_GROUP)) {
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
