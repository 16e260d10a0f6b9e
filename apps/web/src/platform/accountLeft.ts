const forgetters = new Set<() => void>();

/** Registers a clean-up that runs once when the account on this page is left (sign-out, deletion, another account). */
export function clearOnAccountLeft(forget: () => void): void {
  forgetters.add(forget);
}

/** Runs the registered clean-ups: nothing of the account stays in memory. */
export function accountLeft(): void {
  for (const forget of forgetters) forget();
  forgetters.clear();
}
