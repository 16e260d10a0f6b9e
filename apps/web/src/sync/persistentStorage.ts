let isAsked = false;

/** Asks the browser not to clear away what is kept here when room runs short; once, with the first thing somebody records. */
export function keepForGood(): void {
  if (isAsked) return;
  isAsked = true;
  // Not every browser has it, and each may say no: what is kept stays kept as long as there is room.
  void globalThis.navigator?.storage?.persist?.().catch(() => undefined);
}
