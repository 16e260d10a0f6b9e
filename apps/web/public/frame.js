/*
 * Which frame stands before the app does: the way in where nobody is known on this device. What the screen needs is preloaded.
 */
{
  const isKnown = () => {
    try {
      return Boolean(localStorage.getItem('wimbel.account'));
    } catch {
      // A browser that keeps nothing knows nobody.
      return false;
    }
  };
  const { pathname } = location;
  // What is kept is only read where it matters: the first time it takes the browser a while.
  const isWayIn = /^\/sign-(in|up)$/.test(pathname) || !isKnown();
  const frame = isWayIn ? 'way-in' : 'app';
  document.documentElement.setAttribute('data-frame', frame);

  // The letters that the app will want are there by then, and nothing is drawn in others first.
  if (!isWayIn) for (const face of document.fonts) face.load().catch(() => undefined);

  // Every screen but Today is in a lazy chunk: preloaded before the app runs.
  if (!isWayIn && !/^\/(today)?$/.test(pathname)) {
    const link = document.createElement('link');
    const href = document.currentScript.dataset.screens;
    Object.assign(link, { rel: 'preload', as: 'script', href, fetchPriority: 'low' });
    document.head.append(link);
  }
}
