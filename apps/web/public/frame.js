/*
 * Which frame stands before the app does: the way in where nobody is known on this device. And what the place needs is asked
 * for at once, not only when the app has come to draw it.
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

  // By frame and by address: the files that a part needs, itself last.
  const parts = JSON.parse(document.currentScript.dataset.parts || '{}');
  globalThis.__ahead = [parts[frame], isWayIn ? null : parts[pathname]].filter(Boolean);
  for (const file of new Set(globalThis.__ahead.flat())) {
    const link = document.createElement('link');
    Object.assign(link, { rel: 'preload', as: 'script', href: file, fetchPriority: 'low' });
    document.head.append(link);
  }
}
