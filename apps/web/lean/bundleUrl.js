/**
 * What the addresses of workers are told from. Theirs begin at the root, so the page's origin does; which script is being run
 * cannot be asked, for modules are run in turns of their own.
 */
export const getBundleUrl = () => `${location.origin}/`;
