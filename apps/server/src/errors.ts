import { ERROR_STATUS, type ErrorBody, type ErrorCode, type Issue } from '@wimbel/contract';

/** The words that go with each code where the server has nothing more exact to say. */
const MESSAGES: Record<ErrorCode, string> = {
  invalid: 'Something in the request is not as it should be.',
  notJson: 'The request is not JSON.',
  tooLarge: 'The request is too large.',
  signInNeeded: 'Sign in first.',
  wrongSignIn: 'Wrong e-mail or password.',
  notCreated: 'No account was made with this e-mail address. If it is yours, sign in with its password.',
  otherAccount: 'Somebody else is signed in here by now. Nothing was changed.',
  foreignOrigin: 'The request comes from another site.',
  notFound: 'There is nothing at this address.',
  tooMany: 'Too many requests. Try again in a little while.',
  unavailable: 'The database does not answer just now. Nothing was changed; try again in a moment.',
  internal: 'Something went wrong on the server. Nothing was changed.',
};

/** The one error that the server throws on purpose. */
export class AppError extends Error {
  readonly code: ErrorCode;
  readonly issues: Issue[] | undefined;
  /** When to try again, in seconds from now. */
  readonly retryAfterS: number | undefined;

  constructor(code: ErrorCode, issues?: Issue[], retryAfterS?: number) {
    super(MESSAGES[code]);
    this.code = code;
    this.issues = issues;
    this.retryAfterS = retryAfterS;
  }

  get status() {
    return ERROR_STATUS[this.code];
  }

  toBody(requestId: string): ErrorBody {
    return { code: this.code, message: this.message, ...(this.issues ? { issues: this.issues } : {}), requestId };
  }
}

/** Codes of Node and PostgreSQL that say the database is away or overburdened, not that a query is wrong. */
const AWAY =
  /^(ECONNREFUSED|ECONNRESET|ECONNABORTED|ENOENT|ENOTFOUND|EAI_AGAIN|ETIMEDOUT|EPIPE|57P0[1-5]|57014|55P03|40001|40P01|08\d{3}|53\d{3})$/;
/** How the driver and the server say the same without a code of their own. */
const AWAY_WORDS =
  /Connection terminated|connection error and is not queryable|Client was closed|timeout exceeded when trying to connect|not currently accepting connections/;

/** The chain of an error and its causes. */
function causesOf(error: unknown): { code?: unknown; message?: unknown; name?: unknown }[] {
  const chain: { code?: unknown; message?: unknown; name?: unknown }[] = [];
  for (let each = error as { cause?: unknown } | undefined; each && chain.length < 8; each = each.cause as never) {
    chain.push(each as never);
  }
  return chain;
}

/** The code that PostgreSQL or Node gave an error, if any. */
export const codeOf = (error: unknown): string | null => {
  const found = causesOf(error).find((each) => typeof each.code === 'string');
  return found ? String(found.code) : null;
};

export const isDatabaseAway = (error: unknown): boolean =>
  AWAY.test(codeOf(error) ?? '') || causesOf(error).some((each) => AWAY_WORDS.test(String(each.message)));

/** Loggable parts of an unexpected error: names, codes and source positions, never values. */
export function traceOf(error: unknown): { name: string; code: string | null; stack: string[] } {
  const stack = error instanceof Error ? (error.stack ?? '').split('\n').filter((line) => /^\s+at /.test(line)) : [];
  return {
    name: String(causesOf(error).at(-1)?.name ?? 'unknown'),
    code: codeOf(error),
    stack: stack.slice(0, 12).map((line) => line.trim()),
  };
}
