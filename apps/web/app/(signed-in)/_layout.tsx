import { type ComponentType, Suspense, lazy } from 'react';
import { ErrorBoundary } from 'react-error-boundary';
import { PlaceFault } from '../../src/components/page/PlaceFault.tsx';

type Part = { SignedIn: ComponentType };
type Default = { default: ComponentType };

// The router runs this file whatever the address: what it stands for is brought only where somebody is signed in. Where it is
// there already it is drawn in the same turn: what had to wait would be shown a third of a second later.
const SignedIn = lazy((): PromiseLike<Default> => {
  // What is there already stands beside its promise.
  const brought: Promise<Part> & { _result?: Part | Promise<Part> } = import('../../src/features/account/SignedIn.tsx');
  const { _result: here } = brought;
  if (here === undefined || here instanceof Promise) return brought.then((part) => ({ default: part.SignedIn }));
  return { then: (resolve: (part: Default) => void) => resolve({ default: here.SignedIn }) } as PromiseLike<Default>;
});

export default function SignedInPlaces() {
  return (
    // Caught here and not above the router, which would forget the address.
    <ErrorBoundary FallbackComponent={PlaceFault}>
      <Suspense fallback={null}>
        <SignedIn />
      </Suspense>
    </ErrorBoundary>
  );
}
