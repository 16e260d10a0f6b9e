import type { ErrorCode, Issue } from '@wimbel/contract';

/** Error of a request; `offline` where the server could not be reached or timed out. */
export type ApiFault = {
  code: ErrorCode | 'offline' | 'rejected';
  message: string;
  issues?: Issue[];
  /** The server's Retry-After. */
  retryAfterMs?: number;
};

/** A failed request. */
export class ApiError extends Error {
  readonly fault: ApiFault;
  constructor(fault: ApiFault) {
    super(fault.message);
    this.fault = fault;
  }
}
