import { useRouter } from 'expo-router';
import { Button } from '../src/ui/Button.tsx';
import { EmptyState } from '../src/ui/EmptyState.tsx';
import { Page } from '../src/ui/Frame.tsx';
import { PATHS } from '../src/platform/paths.ts';

export default function NotFound() {
  const router = useRouter();
  return (
    <Page>
      <EmptyState title="Page not found" text="There is nothing at this address. Your records are where they were.">
        <Button kind="main" onPress={() => router.replace(PATHS.today)}>
          Go to Today
        </Button>
      </EmptyState>
    </Page>
  );
}
