import { ErrorBoundary } from 'react-error-boundary';
import { PlaceFault } from '../../src/components/page/PlaceFault.tsx';
import { SignedIn } from '../../src/features/account/SignedIn.tsx';

export default function SignedInPlaces() {
  return (
    // Caught here and not above the router, which would forget the address.
    <ErrorBoundary FallbackComponent={PlaceFault}>
      <SignedIn />
    </ErrorBoundary>
  );
}
