import 'fake-indexeddb/auto';

// jsdom has no structuredClone of its own, which IndexedDB needs.
globalThis.structuredClone ??= (value: unknown) => JSON.parse(JSON.stringify(value));
