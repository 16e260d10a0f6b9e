import { dataFileOf, writeDataFile } from '@wimbel/exchange';
import { useState } from 'react';
import { View } from 'react-native';
import { useStore } from 'react-redux';
import { api } from '../../platform/api.ts';
import { download } from '../../platform/download.ts';
import { counted } from '../../text/format.ts';
import { recordsOf } from '../../store/importPlan.ts';
import { useExportName } from './useExportName.ts';
import { clearDeviceData } from '../../sync/deviceData.ts';
import { SPACE } from '../../theme/space.ts';
import { Button } from '../../ui/Button.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { useToast } from '../../ui/Toast.tsx';
import { Words } from '../../ui/Words.tsx';
import { isSample, signedOut } from '../../store/accountSlice.ts';
import { type RootState, useAppDispatch, useAppSelector } from '../../store/store.ts';
import { unreachableText } from '../../text/offlineText.ts';

/** Who is signed in, what still waits to be saved, and the way out. */
export function AccountSection() {
  const account = useAppSelector((state) => state.account.account);
  const waiting = useAppSelector((state) => state.outbox.waiting.count);
  const isRecordKept = useAppSelector((state) => state.outbox.isRecordKept);
  const [isAsking, setIsAsking] = useState(false);
  const { isBusy, signOut } = useSignOut();
  return (
    <>
      <Words tone="quiet">
        {account !== null && isSample(account)
          ? 'A sample of your own, with made-up data to look around in. It is gone after a day.'
          : `Signed in as ${account?.email ?? ''}`}
      </Words>
      <Words type="quiet" tone={isRecordKept ? 'quiet' : 'madder'}>
        {isRecordKept
          ? 'What you keep here is on this device too, and opens without a connection.'
          : 'This browser keeps nothing: without a connection there is nothing to open.'}
      </Words>
      {waiting > 0 ? (
        <Words type="quiet" tone="quiet">
          {counted(waiting, 'change')} still to be saved. They stay on this device and are sent when you sign in again.
        </Words>
      ) : null}
      <View style={{ flexDirection: 'row' }}>
        <Button onPress={() => (waiting > 0 ? setIsAsking(true) : void signOut(false))} isBusy={isBusy}>
          Sign out
        </Button>
      </View>
      {isAsking ? (
        <WaitingSheet
          onClose={() => setIsAsking(false)}
          onSignOut={(keepsWaiting) => void signOut(keepsWaiting)}
          isBusy={isBusy}
        />
      ) : null}
    </>
  );
}

/** Ends the session and takes the record off this device, unless it is to stay. */
function useSignOut() {
  const store = useStore<RootState>();
  const dispatch = useAppDispatch();
  const toast = useToast();
  const [isBusy, setIsBusy] = useState(false);
  const signOut = async (keepsWaiting: boolean): Promise<void> => {
    setIsBusy(true);
    const accountId = store.getState().account.account?.id;
    try {
      await api.signOut();
      // What is left once the account is closed here is removed by whoever keeps the record in step.
      if (accountId !== undefined && !keepsWaiting) await clearDeviceData(accountId, { keepsWaiting });
      dispatch(signedOut());
    } catch {
      setIsBusy(false);
      toast({ text: `${unreachableText('Nothing was changed')} You are still signed in.` });
      return;
    }
  };
  return { isBusy, signOut };
}

/** Text shown before sign-out with unsent changes. */
function WaitingSheet({
  onClose,
  onSignOut,
  isBusy,
}: {
  onClose: () => void;
  onSignOut: (keepsWaiting: boolean) => void;
  isBusy: boolean;
}) {
  const store = useStore<RootState>();
  const waiting = useAppSelector((state) => state.outbox.waiting.count);
  const nameOf = useExportName();
  const save = (): void => {
    const state = store.getState();
    const text = writeDataFile(dataFileOf(recordsOf(state.records)));
    download(nameOf('json', 'everything'), new Blob([text], { type: 'application/json' }));
  };
  return (
    <Sheet title="Sign out now?" onClose={onClose}>
      <Words>
        {waiting === 0
          ? 'Everything is saved by now.'
          : `${counted(waiting, 'change')} ${waiting === 1 ? 'has' : 'have'} not reached the server yet. Keep ${waiting === 1 ? 'it' : 'them'} on this device, and ${waiting === 1 ? 'it is' : 'they are'} sent when you sign in here again.`}
      </Words>
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s }}>
        <Button kind="main" onPress={onClose}>
          {waiting === 0 ? 'Stay signed in' : 'Wait for it'}
        </Button>
        <Button onPress={save}>Save everything as a file</Button>
        <Button onPress={() => onSignOut(true)} isBusy={isBusy}>
          {waiting === 0 ? 'Sign out' : `Sign out, keep ${waiting === 1 ? 'it' : 'them'}`}
        </Button>
        {waiting === 0 ? null : (
          <Button onPress={() => onSignOut(false)} isBusy={isBusy}>
            {`Sign out, delete ${waiting === 1 ? 'it' : 'them'}`}
          </Button>
        )}
      </View>
    </Sheet>
  );
}
