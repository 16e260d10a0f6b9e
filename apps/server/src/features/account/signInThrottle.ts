import { createHash, createHmac, timingSafeEqual } from 'node:crypto';
import { setTimeout as pause } from 'node:timers/promises';
import type { ErrorCode } from '@wimbel/contract';
import type { Pool } from 'pg';
import { AppError } from '../../errors.ts';
import { askAgainst, createTurns, sharedLimit } from '../../limits.ts';

/** Failed attempts per account and address, and their window. */
const FROM_ONE_ADDRESS = 10;
/** Failed attempts per account from any address, after which unknown devices are slowed down. */
const BEFORE_SLOW = 30;
/** Failed attempts per account on known devices. */
const ON_KNOWN_DEVICES = 30;
const COUNTED_S = 15 * 60;
/** Pause before a slowed attempt, in milliseconds, and queue length. */
const SLOW_MS = 1000;
const WAITING = 5;

const DEVICE_COOKIE = 'wimbel.device';
const DEVICE_S = 365 * 24 * 60 * 60;
/** Accounts per device cookie. */
const MOST_ACCOUNTS = 5;

/** An attempt: the account by its e-mail or id, the address, and the request's cookies. */
export type SignInAttempt = { account: string; address: string; cookies: string };

/**
 * Throttles password guessing without locking anybody out. Failures count by account and address. An account guessed at from many
 * addresses slows down attempts of unknown devices (one at a time, with a pause), so that the right password still works; known
 * devices are not slowed down.
 */
export type SignInThrottle = {
  /** Waits for the attempt's turn; throws an AppError (`tooMany`). */
  attempt: (guess: SignInAttempt) => Promise<void>;
  wrong: (guess: SignInAttempt) => Promise<void>;
  right: (guess: SignInAttempt) => Promise<void>;
  /** The `Set-Cookie` that marks a device as known to an account. */
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

/** Errors whose timing would reveal whether an account exists. */
const UNTOLD: ReadonlySet<ErrorCode> = new Set(['wrongSignIn', 'notCreated']);

/** Minimum and step of the duration of failed attempts, in milliseconds. */
const ANSWERED_IN_MS = 250;

/** Rethrows an attempt's error after a padded duration, so that timing does not reveal whether an account exists. */
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
