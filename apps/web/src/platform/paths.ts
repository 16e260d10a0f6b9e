/** All routes of the app; the files under `app/` implement them. */
export const PATHS = {
  today: '/today',
  log: '/log',
  printLog: '/log-print',
  goals: '/goals',
  newGoal: '/goals/new',
  newGoalDirect: '/goals/new/direct',
  dueGoals: '/goals/due',
  yearOfGoals: '/goals/year',
  charts: '/charts',
  printCharts: '/charts/print',
  weeks: '/charts/weeks',
  newHabit: '/habits/new',
  habitList: '/habits/list',
  habitTargets: '/habits/targets',
  journal: '/journal',
  journalPages: '/journal/pages',
  moods: '/journal/moods',
  lookBack: '/journal/look-back',
  takeAlong: '/journal/take-along',
  yearTurn: '/journal/year-turn',
  seasons: '/seasons',
  newSeason: '/seasons/new',
  newSeasonDirect: '/seasons/new/direct',
  rewards: '/rewards',
  ledger: '/rewards/ledger',
  pipsTable: '/rewards/pips',
  settings: '/settings',
  habitsInOrder: '/settings/habits',
  areas: '/settings/areas',
  quotes: '/settings/quotes',
  prompts: '/settings/prompts',
  account: '/settings/account',
  bringIn: '/settings/bring-in',
  signIn: '/sign-in',
  signUp: '/sign-up',
} as const;

export const habitPath = (id: string): string => `/habits/${encodeURIComponent(id)}`;
export const habitEditPath = (id: string): string => `${habitPath(id)}/edit`;
export const goalPath = (id: string): string => `/goals/${encodeURIComponent(id)}`;
export const goalEditPath = (id: string): string => `${goalPath(id)}/edit`;

export const seasonPath = (id: string): string => `/seasons/${encodeURIComponent(id)}`;
export const seasonEditPath = (id: string): string => `${seasonPath(id)}/edit`;
/** A season with one of its weeks (counted from 0) open, or (null) the look back on the whole. */
export const seasonWeekPath = (id: string, week: number | null): string =>
  `${seasonPath(id)}?open=${week === null ? 'all' : week + 1}`;

/** The page of a day; that of today without naming it. */
export const journalPath = (day: string): string => `${PATHS.journal}?day=${day}`;
/** The look back on a span of a kind that a day lies in. */
export const lookBackPath = (span: string, day: string): string => `${PATHS.lookBack}?span=${span}&day=${day}`;
