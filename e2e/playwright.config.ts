import { defineConfig } from '@playwright/test';
import { chromiumPath } from '../tools/chromium.mjs';

/**
 * What Chromium is to leave out: for each page the suggestions below its address bar, a page of their own that nobody sees and
 * that takes as long as ours; and what Playwright leaves out itself, since of two such lists only the last one counts.
 */
const LEFT_OUT = [
  'WebUIOmniboxPopup',
  'WebUIOmniboxAimPopup',
  'AvoidUnnecessaryBeforeUnloadCheckSync',
  'DestroyProfileOnBrowserClose',
  'HttpsUpgrades',
  'HttpsFirstBalancedModeAutoEnable',
  'LensOverlay',
  'MediaRouter',
  'PaintHolding',
  'ThirdPartyStoragePartitioning',
  'AvoidCorsURLLoaderRestartOnRedirect',
  'TcpPortRandomizationWin',
  'OptimizationHints',
  'NetworkTimeServiceQuerying',
  'AimEnabled',
  'PreconnectToSearch',
];

export const CHROMIUM_ARGS = [
  '--no-sandbox',
  '--disable-gpu',
  '--disable-quic',
  '--no-first-run',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
  `--disable-features=${LEFT_OUT.join()}`,
];

export const PHONE = { width: 390, height: 844 };
export const WIDE = { width: 1280, height: 800 };

/** Tag of tests that `npm run soak browser` runs and `npm test` leaves out: sweeps over everything, and second variants. */
const SOAK_TAG = '@soak';
/** The tags of a variant of a test. */
export const soakIf = (isSoak: boolean): string[] => (isSoak ? [SOAK_TAG] : []);

export default defineConfig({
  testDir: './tests',
  globalSetup: './globalSetup.ts',
  outputDir: '../test-results',
  ...(process.env.E2E_SOAK ? { grep: new RegExp(SOAK_TAG) } : { grepInvert: new RegExp(SOAK_TAG) }),
  // Wide enough for a machine whose processors are busy with something else; a test that holds ends long before.
  timeout: 240_000,
  expect: { timeout: 30_000 },
  retries: process.env.CI ? 1 : 0,
  // One more than the processors of the usual machine: a test often waits.
  workers: 3,
  fullyParallel: false,
  reporter: [['list'], ['json', { outputFile: '../test-results/e2e.json' }]],
  use: {
    viewport: PHONE,
    locale: 'en-GB',
    timezoneId: 'Europe/London',
    actionTimeout: 40_000,
    launchOptions: { executablePath: chromiumPath(), args: CHROMIUM_ARGS },
    // The worker that keeps the app would fetch all of it anew for each test; those about it let it in.
    serviceWorkers: 'block',
    trace: 'off',
    screenshot: 'only-on-failure',
  },
});
