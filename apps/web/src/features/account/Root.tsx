import '../../sync/recordPreload.ts';
import { Slot } from 'expo-router';
import { ErrorBoundary } from 'react-error-boundary';
import { RecordsProvider } from '../../sync/RecordsProvider.tsx';
import { ThemeProvider } from '../../theme/Theme.tsx';
import { PlaceFault } from '../../components/page/PlaceFault.tsx';
import { ToastProvider } from '../../ui/Toast.tsx';

/** A screen's fault, in its place: the router goes on, and the address stays. */
const ScreenFault = ({ error, retry }: { error: Error; retry: () => Promise<void> }) => (
  <PlaceFault error={error} resetErrorBoundary={() => void retry()} />
);

/** Providers of every screen: theme, records, toasts. */
export function Root() {
  return (
    <ThemeProvider>
      <RecordsProvider>
        <ToastProvider>
          <ErrorBoundary FallbackComponent={PlaceFault}>
            <Slot unstable_screenErrorBoundary={ScreenFault} />
          </ErrorBoundary>
        </ToastProvider>
      </RecordsProvider>
    </ThemeProvider>
  );
}
