import type { Issue } from './plain.ts';

/** Every error code the server answers with, and its HTTP status. */
export const ERROR_STATUS = {
  invalid: 422,
  notJson: 400,
  tooLarge: 413,
  signInNeeded: 401,
  wrongSignIn: 401,
  notCreated: 409,
  otherAccount: 409,
  foreignOrigin: 403,
  notFound: 404,
  tooMany: 429,
  unavailable: 503,
  internal: 500,
} as const;

/** The closed list of error codes. */
export type ErrorCode = keyof typeof ERROR_STATUS;

/** The body of every error answer. */
export type ErrorBody = { code: ErrorCode; message: string; issues?: Issue[]; requestId?: string };
