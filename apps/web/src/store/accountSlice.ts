import { createSlice, type PayloadAction } from '@reduxjs/toolkit';
import type { Account } from '../shared/api.ts';

/**
 * `unknown` until the server was asked; `unreachable` where it did not answer; `elsewhere` where another tab has signed in
 * to another account, so that this page may go on with neither.
 */
export type AccountState = { status: 'unknown' | 'unreachable' | 'out' | 'in' | 'elsewhere'; account: Account | null };

/** Whether an account is a visitor's own copy of the sample. */
export const isSample = ({ email }: Account): boolean => email.endsWith('.invalid');

const slice = createSlice({
  name: 'account',
  initialState: (): AccountState => ({ status: 'unknown', account: null }),
  reducers: {
    signedIn: (_, { payload }: PayloadAction<Account>): AccountState => ({ status: 'in', account: payload }),
    signedOut: (): AccountState => ({ status: 'out', account: null }),
    serverUnreachable: (): AccountState => ({ status: 'unreachable', account: null }),
    accountElsewhere: (): AccountState => ({ status: 'elsewhere', account: null }),
    serverAsked: (): AccountState => ({ status: 'unknown', account: null }),
  },
});

export const { signedIn, signedOut, serverUnreachable, accountElsewhere, serverAsked } = slice.actions;
export const accountReducer = slice.reducer;
