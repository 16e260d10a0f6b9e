import { existsSync } from 'node:fs';
import { aptInstall, say } from './system.mjs';

/** Debian's Chromium without windows: starts faster and needs less memory than the whole one. */
const SHELL = '/usr/bin/chromium-headless-shell';
const WHOLE = '/usr/bin/chromium';

/** Path of the browser for tests, benches and screenshots. */
export const chromiumPath = () => (existsSync(SHELL) ? SHELL : WHOLE);

/** Installs the browser from Debian where it is absent; where that fails an installed whole Chromium is used. */
export function ensureChromium() {
  if (existsSync(SHELL)) return;
  say('Installing Chromium from Debian …');
  try {
    aptInstall(['chromium-headless-shell', 'fonts-noto-color-emoji'], 'Chromium');
  } catch (error) {
    if (!existsSync(WHOLE)) throw error;
  }
}
