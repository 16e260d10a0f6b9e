import type { Account } from '../platform/api.ts';
import { writeLocalSetting, readLocalSetting } from '../platform/localSettings.ts';

const NAME = 'account';

/** The account that this device opens with, before the server is asked; null where none is known. */
export function accountOfDevice(): Account | null {
  try {
    const kept = JSON.parse(readLocalSetting(NAME) || 'null') as Partial<Account> | null;
    return typeof kept?.id === 'string' && typeof kept.email === 'string'
      ? { id: kept.id, email: kept.email, name: kept.name ?? '' }
      : null;
  } catch {
    return null;
  }
}

/** Remembers whose record this device opens with; null: nobody's. */
export const keepAccountOfDevice = (account: Account | null): void =>
  writeLocalSetting(
    NAME,
    account === null ? '' : JSON.stringify({ id: account.id, email: account.email, name: account.name }),
  );
