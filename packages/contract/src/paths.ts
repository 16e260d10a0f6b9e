/** The header in which a request names the account that the page believes it is signed in to. */
export const ACCOUNT_HEADER = 'x-wimbel-account';

/** The addresses of the server's API. */
export const PATHS = {
  /** Whether the server runs; it asks nothing else. */
  live: '/api/health/live',
  /** Whether the server and its database answer. */
  ready: '/api/health/ready',
  auth: '/api/auth',
  changes: '/api/changes',
  /** How much room an account takes, and how much it may take. */
  usage: '/api/usage',
  /** Tells at once when there is something newer. */
  stream: '/api/changes/stream',
  sample: '/api/sample',
  sampleSession: '/api/sample/session',
  /** The address under which a calendar finds what somebody chose to show. */
  calendar: '/api/calendar',
  calendarEnd: '/api/calendar/end',
  /** Followed by the secret of an address and `.ics`. */
  calendarFeed: '/api/calendar/feed',
} as const;
