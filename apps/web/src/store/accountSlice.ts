import { type UnknownAction, createAction } from '@reduxjs/toolkit';
import type { Account } from '../platform/api.ts';

/**
 * `unknown` until the server was asked; `unreachable` where it did not answer; `elsewhere` where another tab has signed in
 * to another account, so that this page may go on with neither.
 */
type AccountState = { status: 'unknown' | 'unreachable' | 'out' | 'in' | 'elsewhere'; account: Account | null };

/** Whether an account is a visitor's own copy of the sample. */
export const isSample = ({ email }: Account): boolean => email.endsWith('.invalid');

export const signedIn = createAction<Account>('account/signedIn');
export const signedOut = createAction('account/signedOut');
export const serverUnreachable = createAction('account/serverUnreachable');
export const accountElsewhere = createAction('account/accountElsewhere');
export const serverAsked = createAction('account/serverAsked');

const without = (status: AccountState['status']): AccountState => ({ status, account: null });

export function accountReducer(state: AccountState = without('unknown'), action: UnknownAction): AccountState {
  if (signedIn.match(action)) return { status: 'in', account: action.payload };
  if (signedOut.match(action)) return without('out');
  if (serverUnreachable.match(action)) return without('unreachable');
  if (accountElsewhere.match(action)) return without('elsewhere');
  return serverAsked.match(action) ? without('unknown') : state;
}
