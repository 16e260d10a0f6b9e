const forgetters = new Set<() => void>();

/** Has something of an account forgotten, once, when that account is left. */
export function clearOnAccountLeft(forget: () => void): void {
  forgetters.add(forget);
}

/** The account on this page is left: nothing of it stays in memory. */
export function accountLeft(): void {
  for (const forget of forgetters) forget();
  forgetters.clear();
}
