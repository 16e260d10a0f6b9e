/** Where the build lays the worker that keeps the app on the device. */
const WORKER = '/sw.js';
/** What the person came for goes first. */
const AFTER_MS = 4000;

/** A newer version of the app that is on the device beside this one. */
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
    // The page changes over once the newer one is in charge, and never by itself.
    navigator.serviceWorker.addEventListener('controllerchange', () => location.reload(), { once: true });
    waiting.postMessage({ type: 'SKIP_WAITING' });
  });

function watch(registration: ServiceWorkerRegistration): void {
  let isLookedAfter = navigator.serviceWorker.controller !== null;
  navigator.serviceWorker.addEventListener('controllerchange', () => {
    // Another tab took the newer version: what this one has not fetched yet is gone.
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
    // A browser that keeps no workers opens the app from the server, as before.
    return null;
  }
}

/**
 * Has the browser keep the whole app on the device, so that it opens without a connection; a newer version is fetched beside
 * the one that runs. `otherwise` is done where this browser keeps no such workers.
 */
export function registerServiceWorker(otherwise: () => void): void {
  if (process.env.NODE_ENV !== 'production' || registered !== null) return;
  if (!('serviceWorker' in navigator)) return otherwise();
  registered = new Promise((resolve) => setTimeout(() => resolve(register()), AFTER_MS));
  void registered.then((registration) => {
    if (registration === null) otherwise();
  });
}

/** Looks for a newer version, as when the app was away for a while. */
export function checkForUpdate(): void {
  void registered?.then((registration) => registration?.update().catch(() => undefined));
}

/** Hears of a newer version; returns the way to stop. */
export function onNewVersion(listen: (newer: NewVersion) => void): () => void {
  listeners.add(listen);
  if (newer !== null) listen(newer);
  return () => listeners.delete(listen);
}
