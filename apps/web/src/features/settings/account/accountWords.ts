import type { ApiFault } from '@wimbel/sync';
import { unreachableText } from '../../../text/offlineText.ts';

/** Error text of an account action. */
export function accountFaultWords({ code, issues, retryAfterMs }: ApiFault): string {
  if (code === 'offline' || code === 'unavailable') return unreachableText('Nothing was changed');
  if (code === 'tooMany') {
    const minutes = Math.max(1, Math.ceil((retryAfterMs ?? 60_000) / 60_000));
    return `Too many tries. Wait ${minutes === 1 ? 'a minute' : `${minutes} minutes`}, then try again.`;
  }
  if (code === 'wrongSignIn') return 'That is not your password. Nothing was changed.';
  if (code === 'otherAccount') return 'Another account is open in another tab. Nothing was changed.';
  if (issues?.some((each) => each.message.includes('many people')))
    return 'Many people have this password, so it is guessed first. Use another.';
  if (issues?.some((each) => each.message.includes('spaces'))) return 'A password of spaces alone protects nothing.';
  if (issues?.some((each) => each.message.includes('shorter'))) return 'The new password needs at least 10 characters.';
  return 'That did not work. Nothing was changed.';
}
