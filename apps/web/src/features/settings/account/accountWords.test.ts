import { accountFaultWords } from './accountWords.ts';

it('says what happened, that nothing was changed, and what to do', () => {
  expect(accountFaultWords({ code: 'wrongSignIn', message: '' })).toBe(
    'That is not your password. Nothing was changed.',
  );
  expect(accountFaultWords({ code: 'offline', message: '' })).toContain('cannot be reached');
  expect(accountFaultWords({ code: 'tooMany', message: '', retryAfterMs: 61_000 })).toBe(
    'Too many tries. Wait 2 minutes, then try again.',
  );
  expect(accountFaultWords({ code: 'tooMany', message: '', retryAfterMs: 900 })).toContain('Wait a minute');
  const of = (message: string) =>
    accountFaultWords({ code: 'invalid', message: '', issues: [{ path: 'password', message }] });
  expect(of('has nothing but spaces')).toContain('spaces alone');
  expect(of('is shorter than 10 characters')).toContain('at least 10 characters');
  expect(accountFaultWords({ code: 'internal', message: 'stack' })).toBe('That did not work. Nothing was changed.');
});
