import { Redirect, Slot, usePathname, useRouter } from 'expo-router';
import CalendarFold from 'lucide-react-native/icons/calendar-fold';
import ChartLine from 'lucide-react-native/icons/chart-line';
import Gift from 'lucide-react-native/icons/gift';
import Grip from 'lucide-react-native/icons/grip';
import NotebookPen from 'lucide-react-native/icons/notebook-pen';
import Search from 'lucide-react-native/icons/search';
import SlidersHorizontal from 'lucide-react-native/icons/sliders-horizontal';
import Sun from 'lucide-react-native/icons/sun';
import Target from 'lucide-react-native/icons/target';
import Undo2 from 'lucide-react-native/icons/undo-2';
import { useDeferredValue, useEffect } from 'react';
import { ErrorBoundary } from 'react-error-boundary';
import { ActivityIndicator, View } from 'react-native';
import { useStore } from 'react-redux';
import { useAskAccount } from '../../sync/useAccount.ts';
import { useCanUndo, useRecording } from '../../sync/recording.ts';
import { useToast } from '../../ui/Toast.tsx';
import { ClockSign } from '../../components/account/ClockSign.tsx';
import { NewerSign } from '../../components/account/NewerSign.tsx';
import { HELD_UP_WORDS, SyncStatus, useIsHeldUp } from '../../components/account/SyncStatus.tsx';
import { UndoKey } from '../../components/account/UndoKey.tsx';
import { FinishLineWatch } from '../../components/habitForm/FinishLineWatch.tsx';
import { MonthRewardWatch } from '../../components/rewards/MonthRewardWatch.tsx';
import { ReachedWatch } from '../../components/goals/ReachedWatch.tsx';
import { EarlierStartWatch } from '../../components/habitForm/EarlierStartWatch.tsx';
import { selectHasPips } from '../../store/pipsSelectors.ts';
import { selectShowsSeasons } from '../../store/seasonSelectors.ts';
import { selectIsHidden, selectSettings } from '../../store/selectors.ts';
import { serverAsked } from '../../store/accountSlice.ts';
import { type RootState, useAppDispatch, useAppSelector, useDeferredSelector } from '../../store/store.ts';
import { useTheme } from '../../theme/Theme.tsx';
import { Button } from '../../ui/Button.tsx';
import { EmptyState } from '../../ui/EmptyState.tsx';
import { Frame, type Place } from '../../ui/Frame.tsx';
import { isHiddenPlace } from '../../platform/hiddenPlaces.ts';
import { HiddenPlacePage } from '../../components/page/HiddenPlacePage.tsx';
import { FindHost, useFind } from '../../components/find/FindHost.tsx';
import { FigureHost } from '../../components/figure/FigureHost.tsx';
import { PlaceFault } from '../../components/page/PlaceFault.tsx';
import { registerServiceWorker } from '../../platform/serviceWorker.ts';
import { preloadChunks, whenIdle } from '../../platform/preloadChunks.ts';
import { loadChunk, preloadChunk } from '../../components/page/lazyChunk.ts';
import { PATHS } from '../../platform/paths.ts';

/** Preloads what the first screen did not need, a moment after it stands. */
const BRING_AFTER_MS = 1200;

const PLACES: readonly Place[] = [
  { path: PATHS.today, label: 'Today', icon: Sun },
  { path: PATHS.log, label: 'Log', icon: Grip },
  { path: PATHS.goals, label: 'Goals', icon: Target },
  { path: PATHS.charts, label: 'Charts', icon: ChartLine },
  { path: PATHS.journal, label: 'Journal', icon: NotebookPen },
];
const SEASONS: Place = { path: PATHS.seasons, label: 'Seasons', icon: CalendarFold };
const REWARDS: Place = { path: PATHS.rewards, label: 'Rewards', icon: Gift };
const SETTINGS: Place = { path: PATHS.settings, label: 'Settings', icon: SlidersHorizontal };

/** Places that stand in the rail of a wide screen only. */
const wideOnly = (hasPips: boolean, showsSeasons: boolean): readonly Place[] => [
  ...(hasPips ? [REWARDS] : []),
  ...(showsSeasons ? [SEASONS] : []),
];

const WHOLE = { flex: 1, minHeight: 0 } as const;
const OUT_OF_SIGHT = { display: 'none' } as const;

/** The places of someone who is signed in; anyone else is shown the way in. */
export function SignedIn() {
  const status = useAppSelector((state) => state.account.status);
  const isLoaded = useAppSelector((state) => state.records.isLoaded);
  // The first screen renders as a transition.
  const isMade = useDeferredValue(isLoaded);
  const hidesJournal = useAppSelector((state) => selectIsHidden(state, 'journal'));
  const hasPips = useDeferredSelector(selectHasPips);
  const { hidden } = useAppSelector(selectSettings);
  const showsSeasons = useAppSelector(selectShowsSeasons);
  const isReachable = useAppSelector((state) => state.outbox.isReachable);
  const isHeldUp = useIsHeldUp();
  const path = usePathname();
  // The place itself stays: without it the address would be forgotten.
  const isOff = isHiddenPlace(path, hidden ?? []);
  const router = useRouter();
  const recording = useRecording();
  const store = useStore<RootState>();
  const accountId = useAppSelector((state) => state.account.account?.id);
  useEffect(() => {
    // Where no worker keeps the app, the browser's own store of files has to do.
    if (!isLoaded) return;
    registerServiceWorker(preloadChunks);
    const timer = setTimeout(() => {
      whenIdle(() => void preloadChunk());
      // What a page that was closed had begun to bring in.
      if (accountId !== undefined)
        void loadChunk()
          .then((chunk) => chunk.resumeImport(accountId, { recording, store }))
          .catch(() => undefined);
    }, BRING_AFTER_MS);
    return () => clearTimeout(timer);
  }, [accountId, isLoaded, recording, store]);
  if (status === 'out') return <Redirect href={PATHS.signIn} />;
  if (status === 'unreachable' || status === 'elsewhere') return <CannotGoOn status={status} />;
  if (status === 'unknown' || !isLoaded || !isMade) {
    return (
      <Waiting>
        {isHeldUp ? (
          <EmptyState title="Another tab is in the way" text={HELD_UP_WORDS} />
        ) : isReachable || isLoaded ? null : (
          <EmptyState
            title="Waiting for the server"
            text="Your records could not be fetched yet. Trying again by itself."
          />
        )}
      </Waiting>
    );
  }
  return (
    <FigureHost onGo={(path) => router.push(path)}>
      <FindHost onGo={(to) => router.push(to)}>
        <Places
          places={hidesJournal ? PLACES.filter(({ path: to }) => to !== PATHS.journal) : PLACES}
          wideOnly={wideOnly(hasPips, showsSeasons)}
          more={SETTINGS}
          current={path}
          onGo={(to) => router.push(to)}
        >
          <Signs />
          <ErrorBoundary FallbackComponent={PlaceFault} resetKeys={[path]}>
            {isOff ? <HiddenPlacePage /> : null}
            <View style={isOff ? OUT_OF_SIGHT : WHOLE}>
              <Slot />
            </View>
          </ErrorBoundary>
        </Places>
      </FindHost>
    </FigureHost>
  );
}

/** Why this page shows no record, and the way on. */
function CannotGoOn({ status }: { status: 'unreachable' | 'elsewhere' }) {
  const dispatch = useAppDispatch();
  const ask = useAskAccount();
  const again = (): void => {
    dispatch(serverAsked());
    ask();
  };
  return (
    <Waiting>
      {status === 'unreachable' ? (
        <EmptyState
          title="The server cannot be reached"
          text="Everything you recorded is safe. Check your connection, then try again."
        >
          <Button kind="main" onPress={again}>
            Try again
          </Button>
        </EmptyState>
      ) : (
        <EmptyState
          title="Another account is open in another tab"
          text="This page has stopped, so that nothing of one account gets into the other. What you wrote here and could not be sent yet is kept on this device, and is sent when you sign in to this account again."
        >
          <Button kind="main" onPress={again}>
            Go on with the other account
          </Button>
        </EmptyState>
      )}
    </Waiting>
  );
}

/** Notices above every place, and the watchers behind them. */
function Signs() {
  const isImporting = useAppSelector((state) => state.outbox.isImporting);
  return (
    <>
      <SyncStatus />
      <NewerSign />
      <ClockSign />
      <UndoKey />
      {isImporting ? null : (
        <>
          <FinishLineWatch />
          <MonthRewardWatch />
          <ReachedWatch />
          <EarlierStartWatch />
        </>
      )}
    </>
  );
}

/** The frame with its places, from which everything can be found. */
function Places(props: Omit<React.ComponentProps<typeof Frame>, 'find' | 'undo'>) {
  const find = useFind();
  const canUndo = useCanUndo();
  const { takeBack } = useRecording();
  const toast = useToast();
  const undo = (): void => {
    if (takeBack()) toast({ text: 'Undone' });
  };
  return (
    <Frame
      {...props}
      find={{ label: 'Find', keys: '/', icon: Search, onPress: find }}
      undo={canUndo ? { label: 'Undo the last change', icon: Undo2, onPress: undo } : null}
    />
  );
}

function Waiting({ children }: { children?: React.ReactNode }) {
  const { colors } = useTheme();
  return (
    <View style={{ flex: 1, alignItems: 'center', justifyContent: 'center', backgroundColor: colors.paper }}>
      {children ?? <ActivityIndicator color={colors.working} aria-label="Loading" />}
    </View>
  );
}
