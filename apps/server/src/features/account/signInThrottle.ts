import { createHash, createHmac, timingSafeEqual } from 'node:crypto';
import { setTimeout as pause } from 'node:timers/promises';
import type { ErrorCode } from '@wimbel/contract';
import type { Pool } from 'pg';
import { AppError } from '../../errors.ts';
import { askAgainst, createTurns, sharedLimit } from '../../limits.ts';

/** Wrong guesses at an account from one address, and the time they count for. */
const FROM_ONE_ADDRESS = 10;
/** Wrong guesses at an account from wherever, after which strangers' attempts go slowly. */
const BEFORE_SLOW = 30;
/** Wrong guesses on devices that were signed in to the account before. */
const ON_KNOWN_DEVICES = 30;
const COUNTED_S = 15 * 60;
/** The pause before a slow attempt, in milliseconds; how many wait for theirs. */
const SLOW_MS = 1000;
const WAITING = 5;

const DEVICE_COOKIE = 'wimbel.device';
const DEVICE_S = 365 * 24 * 60 * 60;
/** A device remembers so many accounts. */
const MOST_ACCOUNTS = 5;

/** Who guesses at which account: an account by whatever names it, an address, and the request's cookies. */
export type SignInAttempt = { account: string; address: string; cookies: string };

/**
 * Slows guesses at passwords down without locking anybody out: wrong guesses count by account and address together. Where an
 * account is guessed at from many addresses, attempts of devices that were never signed in to it wait for each other and pause,
 * so that the right password still opens it; devices that were signed in before go on as ever.
 */
export type SignInThrottle = {
  /** Waits for an attempt's turn; throws an AppError (`tooMany`) where it gets none. */
  attempt: (guess: SignInAttempt) => Promise<void>;
  wrong: (guess: SignInAttempt) => Promise<void>;
  right: (guess: SignInAttempt) => Promise<void>;
  /** The `Set-Cookie` by which a device is known as one that was signed in to an account. */
  deviceCookie: (guess: Pick<SignInAttempt, 'account' | 'cookies'>) => string;
};

export function createSignInThrottle(
  pool: Pool,
  { secret, isSecure }: { secret: string; isSecure: boolean },
): SignInThrottle {
  const fromAddress = sharedLimit(pool, 'guesses-from', FROM_ONE_ADDRESS, COUNTED_S);
  const atAccount = sharedLimit(pool, 'guesses-at', BEFORE_SLOW, COUNTED_S);
  const onDevices = sharedLimit(pool, 'guesses-known', ON_KNOWN_DEVICES, COUNTED_S);
  const slowly = createTurns(1, WAITING);

  const hash = (text: string): string => createHash('sha256').update(text).digest('base64url');
  const keys = ({ account, address }: SignInAttempt) => ({ at: hash(account), from: hash(`${account} ${address}`) });
  const tokenOf = (account: string): string =>
    createHmac('sha256', secret).update(`device ${account}`).digest('base64url');
  const tokensIn = (cookies: string): string[] =>
    (new RegExp(`(?:^|;\\s*)${DEVICE_COOKIE}=([\\w.-]*)`).exec(cookies)?.[1] ?? '').split('.').filter(Boolean);
  const equalsInConstantTime = (a: string, b: string): boolean =>
    a.length === b.length && timingSafeEqual(Buffer.from(a), Buffer.from(b));
  const isKnown = ({ account, cookies }: SignInAttempt): boolean => {
    const own = tokenOf(account);
    return tokensIn(cookies).some((each) => equalsInConstantTime(each, own));
  };

  return {
    async attempt(guess) {
      const { at, from } = keys(guess);
      if (isKnown(guess)) return askAgainst(onDevices, at);
      await askAgainst(fromAddress, from);
      const used = await atAccount.get(at);
      if (used === null || used.consumedPoints < BEFORE_SLOW) return;
      await slowly.take(at, () => pause(SLOW_MS));
    },
    async wrong(guess) {
      const { at, from } = keys(guess);
      if (isKnown(guess)) await onDevices.penalty(at);
      else await Promise.all([fromAddress.penalty(from), atAccount.penalty(at)]);
    },
    async right(guess) {
      const { at, from } = keys(guess);
      await (isKnown(guess) ? onDevices.delete(at) : fromAddress.delete(from));
    },
    deviceCookie({ account, cookies }) {
      const own = tokenOf(account);
      const tokens = [own, ...tokensIn(cookies).filter((each) => each !== own)].slice(0, MOST_ACCOUNTS);
      return [
        `${DEVICE_COOKIE}=${tokens.join('.')}`,
        `Max-Age=${DEVICE_S}`,
        'Path=/api/auth',
        'HttpOnly',
        'SameSite=Lax',
        ...(isSecure ? ['Secure'] : []),
      ].join('; ');
    },
  };
}

/** Errors that would tell whether there is an account by how long they take. */
const UNTOLD: ReadonlySet<ErrorCode> = new Set(['wrongSignIn', 'notCreated']);

/** How long answers to failed attempts take at least, and in which steps they take longer, in milliseconds. */
const ANSWERED_IN_MS = 250;

/**
 * Throws an attempt's error only after a time that says nothing of what was found: whether there is an account at an address
 * is not told by how long the answer took.
 */
export async function evenly<T>(attempt: () => Promise<T>): Promise<T> {
  const startedMs = performance.now();
  try {
    return await attempt();
  } catch (error) {
    if (!(error instanceof AppError) || !UNTOLD.has(error.code)) throw error;
    const tookMs = performance.now() - startedMs;
    await pause(Math.ceil(tookMs / ANSWERED_IN_MS) * ANSWERED_IN_MS - tookMs);
    throw error;
  }
}
