import { useFonts } from 'expo-font';
import { Slot } from 'expo-router';
import { ErrorBoundary } from 'react-error-boundary';
import { SafeAreaProvider } from 'react-native-safe-area-context';
import { RecordsProvider } from '../../sync/RecordsProvider.tsx';
import { ThemeProvider } from '../../theme/Theme.tsx';
import { FONTS } from '../../theme/fonts.ts';
import { PlaceFault } from '../../parts/PlaceFault.tsx';
import { ToastProvider } from '../../ui/Toast.tsx';

/** What every screen stands in: theme, fonts, records, toasts. */
export function Root() {
  const [areFontsIn, fontFault] = useFonts(FONTS);
  return (
    <SafeAreaProvider>
      <ThemeProvider>
        <RecordsProvider>
          <ToastProvider>
            {areFontsIn || fontFault ? (
              <ErrorBoundary FallbackComponent={PlaceFault}>
                <Slot />
              </ErrorBoundary>
            ) : null}
          </ToastProvider>
        </RecordsProvider>
      </ThemeProvider>
    </SafeAreaProvider>
  );
}
