/** The addresses of the app, each named once. The files under `app/` stand for them. */
export const PATHS = {
  today: '/today',
  log: '/log',
  goals: '/goals',
  newGoal: '/goals/new',
  newGoalDirect: '/goals/new/direct',
  dueGoals: '/goals/due',
  yearOfGoals: '/goals/year',
  charts: '/charts',
  printCharts: '/charts/print',
  newHabit: '/habits/new',
  habitList: '/habits/list',
  habitTargets: '/habits/targets',
  journal: '/journal',
  settings: '/settings',
  habitsInOrder: '/settings/habits',
  areas: '/settings/areas',
  quotes: '/settings/quotes',
  prompts: '/settings/prompts',
  account: '/settings/account',
  signIn: '/sign-in',
  signUp: '/sign-up',
} as const;

export const habitPath = (id: string): string => `/habits/${encodeURIComponent(id)}`;
export const habitEditPath = (id: string): string => `${habitPath(id)}/edit`;
export const goalPath = (id: string): string => `/goals/${encodeURIComponent(id)}`;
export const goalEditPath = (id: string): string => `${goalPath(id)}/edit`;
