import 'fake-indexeddb/auto';
import { ReadableStream } from 'node:stream/web';
import { TextDecoder, TextEncoder } from 'node:util';
import { BroadcastChannel } from 'node:worker_threads';

// jsdom has no structuredClone of its own, which IndexedDB needs.
globalThis.structuredClone ??= (value: unknown) => JSON.parse(JSON.stringify(value));
// Nor the streams and coders that browsers have.
Object.assign(globalThis, { BroadcastChannel, ReadableStream, TextDecoder, TextEncoder });
