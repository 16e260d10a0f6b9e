import { useRouter } from 'expo-router';
import { useDeferredValue, useEffect, useState } from 'react';
import { Controller, type Resolver, useForm } from 'react-hook-form';
import { ScrollView, View } from 'react-native';
import { loadChunk } from '../../components/page/lazyChunk.ts';
import { signedIn } from '../../store/accountSlice.ts';
import { useAppDispatch } from '../../store/store.ts';
import { ApiError, type ApiFault } from '@wimbel/sync';
import { type Account, api } from '../../platform/api.ts';
import { waitingOnDevice } from '../../sync/deviceData.ts';
import { yieldToMain } from '../../platform/yieldToMain.ts';
import { themed } from '../../theme/Theme.tsx';
import { SPACE } from '../../theme/space.ts';
import { Button } from '../../ui/Button.tsx';
import { Card } from '../../ui/Card.tsx';
import { Field } from '../../ui/Field.tsx';
import { Mark } from '../../ui/Frame.tsx';
import { Words } from '../../ui/Words.tsx';
import { SHORTEST_PASSWORD, type SignInValues } from './signInValues.ts';
import { PATHS } from '../../platform/paths.ts';
import { unreachableText } from '../../text/offlineText.ts';

/** Error text of a fault: what happened, what is safe, what to do. */
function faultWords({ code, issues, retryAfterMs }: ApiFault): string {
  if (code === 'offline' || code === 'unavailable') return unreachableText('Nothing is lost');
  if (code === 'tooMany') {
    const minutes = Math.max(1, Math.ceil((retryAfterMs ?? 300_000) / 60_000));
    return `Too many tries. Wait ${minutes === 1 ? 'a minute' : `${minutes} minutes`}, then try again.`;
  }
  if (code === 'notCreated')
    return 'No account was made with this address. If you have one already, sign in with its password.';
  if (code === 'wrongSignIn') return 'Wrong e-mail or password. Nothing was changed.';
  if (issues?.some((each) => each.path === 'email')) return 'This does not look like an e-mail address.';
  if (issues?.some((each) => each.message.includes('many people')))
    return 'Many people have this password, so it is guessed first. Use another.';
  if (issues?.some((each) => each.message.includes('spaces'))) return 'A password of spaces alone protects nothing.';
  return 'That did not work. Nothing was changed; try again.';
}

/** Validates with the lazy chunk; where that cannot be loaded, the server validates. */
const check: Resolver<SignInValues, { isNew: boolean }> = async (values, ...more) => {
  const chunk = await loadChunk().catch(() => null);
  return chunk === null ? { values, errors: {} } : chunk.signInCheck(values, ...more);
};

/** Preloads validation and the screens once somebody begins to type. */
const preload = (): void => void loadChunk().catch(() => undefined);

/** How high the card with the form is; it stands at that height before the form does. */
const CARD_PX = { signIn: 332, signUp: 354 };

/** Signs in by some way: the account, or an error text. */
function useEntering() {
  const router = useRouter();
  const dispatch = useAppDispatch();
  const [fault, setFault] = useState<string | null>(null);
  const [busyWith, setBusyWith] = useState<'form' | 'sample' | null>(null);
  const enter = async (what: 'form' | 'sample', way: () => Promise<Account>): Promise<void> => {
    setFault(null);
    setBusyWith(what);
    try {
      const account = await way();
      dispatch(signedIn(account));
      router.replace(PATHS.today);
    } catch (error) {
      if (!(error instanceof ApiError)) throw error;
      setFault(faultWords(error.fault));
    } finally {
      setBusyWith(null);
    }
  };
  return { fault, busyWith, enter };
}

type Entering = ReturnType<typeof useEntering>;

function SignInForm({ isNew, fault, busyWith, enter }: Entering & { isNew: boolean }) {
  const router = useRouter();
  const form = useForm<SignInValues, { isNew: boolean }>({
    resolver: check,
    context: { isNew },
    defaultValues: { email: '', password: '' },
  });
  const submit = form.handleSubmit(({ email, password }) =>
    enter('form', () => (isNew ? api.signUp(email, password) : api.signIn(email, password))),
  );
  return (
    <>
      {(['email', 'password'] as const).map((name) => (
        <Controller
          key={name}
          control={form.control}
          name={name}
          render={({ field, fieldState }) => (
            <Field
              label={name === 'email' ? 'E-mail' : 'Password'}
              value={field.value}
              onChangeText={field.onChange}
              onBlur={field.onBlur}
              onSubmitEditing={() => void submit()}
              error={fieldState.error?.message}
              secureTextEntry={name === 'password'}
              autoCapitalize="none"
              autoComplete={name === 'email' ? 'email' : isNew ? 'new-password' : 'current-password'}
              inputMode={name === 'email' ? 'email' : 'text'}
              hint={name === 'password' && isNew ? `At least ${SHORTEST_PASSWORD} characters` : undefined}
            />
          )}
        />
      ))}
      {fault !== null ? (
        <View role="alert">
          <Words tone="madder">{fault}</Words>
        </View>
      ) : null}
      <Button kind="main" onPress={() => void submit()} isBusy={busyWith === 'form'}>
        {isNew ? 'Create account' : 'Sign in'}
      </Button>
      <Button kind="bare" onPress={() => router.replace(isNew ? PATHS.signIn : PATHS.signUp)}>
        {isNew ? 'I have an account' : 'I am new here'}
      </Button>
    </>
  );
}

/** Changes that an account left here, which the server does not have: they wait for it to be signed in again. */
function WaitingHere() {
  const styles = useStyles();
  const [waiting, setWaiting] = useState<{ count: number; remove: () => Promise<void> } | null>(null);
  useEffect(() => {
    let isGone = false;
    void yieldToMain()
      .then(waitingOnDevice)
      .then(
        (found) => {
          if (!isGone) setWaiting(found);
        },
        () => undefined,
      );
    return () => {
      isGone = true;
    };
  }, []);
  if (waiting === null || waiting.count === 0) return null;
  const { count, remove } = waiting;
  return (
    <View role="note" style={styles.sample}>
      <Words type="quiet" tone="quiet" style={styles.centred}>
        {`${count === 1 ? 'One change waits' : `${count} changes wait`} on this device for the account that made ${count === 1 ? 'it' : 'them'}: sign in with it, and ${count === 1 ? 'it is' : 'they are'} sent.`}
      </Words>
      <Button kind="bare" onPress={() => void remove().then(() => setWaiting(null))}>
        {`Delete ${count === 1 ? 'it' : 'them'}`}
      </Button>
    </View>
  );
}

/** Sign in, or sign up for the first time. */
export function SignInScreen({ isNew = false }: { isNew?: boolean }) {
  const styles = useStyles();
  const entering = useEntering();
  const [isSampleOffered, setIsSampleOffered] = useState(false);
  // What stands around the form is drawn in one go, the form in the next, so that a tap in between is heard.
  const isFormDue = useDeferredValue(true, false);
  useEffect(() => {
    void yieldToMain()
      .then(() => api.isSampleOffered())
      .then(setIsSampleOffered, () => undefined);
    document.addEventListener('focusin', preload, { once: true });
    return () => document.removeEventListener('focusin', preload);
  }, []);
  return (
    <ScrollView role="main" contentContainerStyle={styles.page}>
      <View style={styles.brand}>
        <Mark sizePx={64} />
        <Words type="display" heading={1}>
          Wimbel
        </Words>
        <Words tone="quiet" style={styles.centred}>
          Small turns, real depth: your habits, your goals, and what the record says.
        </Words>
      </View>
      <Card style={[styles.card, { minHeight: isNew ? CARD_PX.signUp : CARD_PX.signIn }]}>
        <Words type="section" heading={2}>
          {isNew ? 'New here' : 'Welcome back'}
        </Words>
        {isFormDue ? <SignInForm isNew={isNew} {...entering} /> : null}
      </Card>
      <WaitingHere />
      <View style={styles.sample}>
        {isSampleOffered ? (
          <>
            <Words type="quiet" tone="quiet" style={styles.centred}>
              Only looking? Fourteen months of a made-up person with a cello and a dinghy.
            </Words>
            <Button
              onPress={() => void entering.enter('sample', api.openSample)}
              isBusy={entering.busyWith === 'sample'}
            >
              Open the sample
            </Button>
          </>
        ) : null}
      </View>
    </ScrollView>
  );
}

const useStyles = themed((colors) => ({
  page: {
    flexGrow: 1,
    alignItems: 'center',
    justifyContent: 'center',
    gap: SPACE.xl,
    padding: SPACE.l,
    backgroundColor: colors.paper,
  },
  brand: { alignItems: 'center', gap: SPACE.s },
  centred: { textAlign: 'center', maxWidth: 320 },
  card: { width: '100%', maxWidth: 380, gap: SPACE.m },
  // Room for it before it is known whether there is one: nothing moves when it comes.
  sample: { alignItems: 'center', gap: SPACE.m, minHeight: 92 },
}));
