let isAsked = false;

/** Requests persistent storage (`navigator.storage.persist`), once, with the first change somebody records. */
export function requestPersistentStorage(): void {
  if (isAsked) return;
  isAsked = true;
  // Not every browser has it, and each may say no: what is kept stays kept as long as there is room.
  void globalThis.navigator?.storage?.persist?.().catch(() => undefined);
}
