import { useEffect } from 'react';
import type { FallbackProps } from 'react-error-boundary';
import { View } from 'react-native';
import { useTheme } from '../../theme/Theme.tsx';
import { Button } from '../../ui/Button.tsx';
import { EmptyState } from '../../ui/EmptyState.tsx';
import { loadChunk } from './lazyChunk.ts';
import { NO_CONNECTION } from '../../text/offlineText.ts';

/** Whether a fault is a part of the app that could not be fetched: there is no connection, or a newer version is out. */
const isNotFetched = (error: Error): boolean =>
  /loading (chunk|module|script)|fetch|import|network|asyncrequire|bundle/i.test(`${error.name} ${error.message}`);

const openAgain = (): void => window.location.reload();

/** Error boundary of a place, with a retry; everything around it keeps working. */
export function PlaceFault({ error, resetErrorBoundary }: FallbackProps) {
  const { colors } = useTheme();
  const isAway = error instanceof Error && isNotFetched(error);
  useEffect(() => {
    if (!isAway) return;
    // So that the next page does not fail with it.
    void loadChunk().catch(() => undefined);
    // What could not be fetched is there with a fresh page, once there is a connection.
    window.addEventListener('online', openAgain);
    return () => window.removeEventListener('online', openAgain);
  }, [isAway]);
  return (
    <View style={{ flex: 1, alignItems: 'center', justifyContent: 'center', backgroundColor: colors.paper }}>
      <EmptyState
        title={isAway ? 'This page could not be fetched' : 'This page could not be shown'}
        text={
          isAway
            ? `${NO_CONNECTION}; other pages you had open before still work.`
            : 'Something went wrong here. What you recorded is kept, and the other pages still work.'
        }
      >
        <Button kind="main" onPress={isAway ? openAgain : resetErrorBoundary}>
          Try again
        </Button>
      </EmptyState>
    </View>
  );
}
