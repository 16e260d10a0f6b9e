/** The addresses of the server's API. */
export const PATHS = {
  health: '/api/health',
  auth: '/api/auth',
  changes: '/api/changes',
  sample: '/api/sample',
  sampleSession: '/api/sample/session',
} as const;
