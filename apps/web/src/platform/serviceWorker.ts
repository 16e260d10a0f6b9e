/** Path of the service worker. */
const WORKER = '/sw.js';
/** Delay, so that the current page loads first. */
const AFTER_MS = 4000;

/** An installed newer version of the app that waits to be activated. */
export type NewVersion = { take: () => void };

let registered: Promise<ServiceWorkerRegistration | null> | null = null;
const listeners = new Set<(newer: NewVersion) => void>();
let newer: NewVersion | null = null;

function tell(take: () => void): void {
  newer = { take };
  for (const listen of listeners) listen(newer);
}

const tellWaiting = (waiting: ServiceWorker): void =>
  tell(() => {
    // The page reloads once the new worker controls it, and only on request.
    navigator.serviceWorker.addEventListener('controllerchange', () => location.reload(), { once: true });
    waiting.postMessage({ type: 'SKIP_WAITING' });
  });

function watch(registration: ServiceWorkerRegistration): void {
  let isLookedAfter = navigator.serviceWorker.controller !== null;
  navigator.serviceWorker.addEventListener('controllerchange', () => {
    // Another tab activated the new version: chunks of this version are no longer cached.
    if (isLookedAfter) tell(() => location.reload());
    isLookedAfter = true;
  });
  if (registration.waiting && navigator.serviceWorker.controller) tellWaiting(registration.waiting);
  registration.addEventListener('updatefound', () => {
    const coming = registration.installing;
    coming?.addEventListener('statechange', () => {
      if (coming.state === 'installed' && navigator.serviceWorker.controller) tellWaiting(coming);
    });
  });
}

async function register(): Promise<ServiceWorkerRegistration | null> {
  try {
    const registration = await navigator.serviceWorker.register(WORKER);
    watch(registration);
    return registration;
  } catch {
    // Without service workers the app opens from the server.
    return null;
  }
}

/** Registers the service worker, which caches the whole app for offline use. Calls `otherwise` where there are no service workers. */
export function registerServiceWorker(otherwise: () => void): void {
  if (process.env.NODE_ENV !== 'production' || registered !== null) return;
  if (!('serviceWorker' in navigator)) return otherwise();
  registered = new Promise((resolve) => setTimeout(() => resolve(register()), AFTER_MS));
  void registered.then((registration) => {
    if (registration === null) otherwise();
  });
}

/** Checks for an update, for example when the app returns to the foreground. */
export function checkForUpdate(): void {
  void registered?.then((registration) => registration?.update().catch(() => undefined));
}

/** Subscribes to new versions; returns the unsubscriber. */
export function onNewVersion(listen: (newer: NewVersion) => void): () => void {
  listeners.add(listen);
  if (newer !== null) listen(newer);
  return () => listeners.delete(listen);
}
