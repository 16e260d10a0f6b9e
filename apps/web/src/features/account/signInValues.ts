export const SHORTEST_PASSWORD = 10;

export type SignInValues = { email: string; password: string };
