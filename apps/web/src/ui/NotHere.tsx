import { EmptyState } from './EmptyState.tsx';
import { Page } from './Frame.tsx';

/** Text of a route to a record that does not exist. */
export function NotHere({ what }: { what: string }) {
  return (
    <Page>
      <EmptyState
        title="Page not found"
        text={`This ${what} is not here. It may have been removed on another device; everything else is where it was.`}
      />
    </Page>
  );
}
