import { Slot } from 'expo-router';
import { ErrorBoundary } from 'react-error-boundary';
import { RecordsProvider } from '../../sync/RecordsProvider.tsx';
import { ThemeProvider } from '../../theme/Theme.tsx';
import { PlaceFault } from '../../parts/PlaceFault.tsx';
import { ToastProvider } from '../../ui/Toast.tsx';

/** What every screen stands in: theme, records, toasts. */
export function Root() {
  return (
    <ThemeProvider>
      <RecordsProvider>
        <ToastProvider>
          <ErrorBoundary FallbackComponent={PlaceFault}>
            <Slot />
          </ErrorBoundary>
        </ToastProvider>
      </RecordsProvider>
    </ThemeProvider>
  );
}
