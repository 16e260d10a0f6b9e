import { useRouter } from 'expo-router';
import { PATHS } from '../../platform/paths.ts';
import { Button } from '../../ui/Button.tsx';
import { EmptyState } from '../../ui/EmptyState.tsx';
import { Page } from '../../ui/Frame.tsx';

/** Text of a route to a part that the person turned off. */
export function HiddenPlacePage() {
  const router = useRouter();
  return (
    <Page>
      <EmptyState
        title="You left this off"
        text="What you recorded of it is kept. In Settings, under What is shown, you can have it back."
      >
        <Button onPress={() => router.push(PATHS.settings)}>Settings</Button>
      </EmptyState>
    </Page>
  );
}
