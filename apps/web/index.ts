/* eslint-disable @typescript-eslint/no-require-imports -- an import would be evaluated before the first stage */
import { yieldToMain } from './src/platform/yieldToMain.ts';

/** The modules of the start, in the order of their evaluation; each evaluates what it imports. */
const STAGES: readonly (() => unknown)[] = [
  // First, because it begins to read the stored record.
  () => require('./src/sync/recordPreload.ts'),
  () => require('react-dom/client'),
  () => require('./src/theme/Theme.tsx'),
  () => require('./src/ui/Peg.tsx'),
  () => require('./src/ui/Frame.tsx'),
  () => require('@reduxjs/toolkit'),
  () => require('expo-router'),
  () => require('./src/store/store.ts'),
  () => require('./src/sync/RecordsProvider.tsx'),
  () => require('./src/features/account/Root.tsx'),
  () => require('./src/features/account/SignedIn.tsx'),
  () => require('./src/features/today/TodayScreen.tsx'),
  () => require('./src/features/account/SignInScreen.tsx'),
  () => require('./src/routes/start.tsx'),
];

/** Evaluates the app stage by stage: evaluated at once, it would block the main thread for over 50 ms. */
async function start(): Promise<void> {
  for (const stage of STAGES) {
    stage();
    await yieldToMain();
  }
}

void start();
