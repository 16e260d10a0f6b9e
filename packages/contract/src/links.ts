/** The schemes that a link may have. */
const SCHEMES: readonly string[] = ['http', 'https', 'mailto'];

const SCHEME = /^([a-z][a-z\d+.-]*):/i;
/** Browsers skip spaces and control characters in an address before they read its scheme. */
const SKIPPED = /[\0-\x20\x7f]/g;

/** Whether a text may be kept as a link: it has no scheme, or one of `http`, `https` and `mailto`. */
export function isLink(text: string): boolean {
  const scheme = SCHEME.exec(text.replace(SKIPPED, ''))?.[1];
  return scheme === undefined || SCHEMES.includes(scheme.toLowerCase());
}

/**
 * The address that a link leads to: a text without a scheme is taken for a web address. Null where it is empty or must not
 * be opened (see {@link isLink}); whoever opens a link asks this, whatever was stored.
 */
export function linkTarget(text: string): string | null {
  const bare = text.trim();
  if (bare.replace(SKIPPED, '') === '' || !isLink(bare)) return null;
  return SCHEME.test(bare.replace(SKIPPED, '')) ? bare : `https://${bare}`;
}
