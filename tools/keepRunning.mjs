import { say, wait } from './system.mjs';

/** Back-off before a restart, longer after each quick failure. */
const PAUSES_MS = [1000, 2000, 4000, 8000, 15_000, 30_000];
/** Uptime after which a failure is not quick. */
const STEADY_MS = 60_000;

/**
 * Restarts a service whenever it ends, with a growing back-off while it keeps failing. `start` resolves once the service is up, to
 * an object whose `ended` resolves to how it ended. Returns a function that stops restarting.
 */
export function keepRunning({ name, start, onUp = () => undefined, pausesMs = PAUSES_MS, steadyMs = STEADY_MS }) {
  let isWanted = true;
  const run = async (first) => {
    let running = first;
    let failures = 0;
    while (isWanted) {
      const upMs = performance.now();
      const how = await running.ended;
      if (!isWanted) return;
      if (performance.now() - upMs > steadyMs) failures = 0;
      say(`${name} has ended by itself (${how}).`);
      for (running = null; running === null && isWanted; failures++) {
        const pauseMs = pausesMs[Math.min(failures, pausesMs.length - 1)];
        say(`Starting it again in ${pauseMs / 1000} s …`);
        await wait(pauseMs);
        if (!isWanted) return;
        try {
          running = await start();
          onUp(running);
          say(`${name} is up again.`);
        } catch (error) {
          say(`It did not come up: ${error.message.split('\n').at(-1)}`);
        }
      }
    }
  };
  return {
    keep: (first) => void run(first),
    stop: () => {
      isWanted = false;
    },
  };
}
