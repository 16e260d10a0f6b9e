import { EmptyState } from './EmptyState.tsx';
import { Page } from './Frame.tsx';

/** What an address says that names something which is not, or no longer, there. */
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
