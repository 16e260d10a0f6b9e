import 'fake-indexeddb/auto';
import { ReadableStream } from 'node:stream/web';
import { TextDecoder, TextEncoder } from 'node:util';

// jsdom has no structuredClone of its own, which IndexedDB needs.
globalThis.structuredClone ??= (value: unknown) => JSON.parse(JSON.stringify(value));
// Nor the streams and coders that browsers have.
Object.assign(globalThis, { ReadableStream, TextDecoder, TextEncoder });
