/* Which frame stands before the app does: the way in where nobody is known on this device. */
{
  let isKnown = false;
  try {
    isKnown = Boolean(localStorage.getItem('wimbel.account'));
  } catch {
    // A browser that keeps nothing knows nobody.
  }
  const isWayIn = /^\/sign-(in|up)$/.test(location.pathname) || !isKnown;
  document.documentElement.setAttribute('data-frame', isWayIn ? 'way-in' : 'app');
}
