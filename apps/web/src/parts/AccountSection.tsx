import { useState } from 'react';
import { View } from 'react-native';
import { api } from '../shared/api.ts';
import { counted } from '../shared/format.ts';
import { Button } from '../ui/Button.tsx';
import { useToast } from '../ui/Toast.tsx';
import { Words } from '../ui/Words.tsx';
import { isSample, signedOut } from '../store/accountSlice.ts';
import { useAppDispatch, useAppSelector } from '../store/store.ts';

/** Who is signed in, what still waits to be saved, and the way out. */
export function AccountSection() {
  const account = useAppSelector((state) => state.account.account);
  const waiting = useAppSelector((state) => state.outbox.waiting.length);
  const dispatch = useAppDispatch();
  const toast = useToast();
  const [isBusy, setIsBusy] = useState(false);
  const signOut = async (): Promise<void> => {
    setIsBusy(true);
    try {
      await api.signOut();
      dispatch(signedOut());
    } catch {
      setIsBusy(false);
      toast({ text: 'The server cannot be reached, so you are still signed in. Nothing is lost; try again later.' });
    }
  };
  return (
    <>
      <Words tone="quiet">
        {account !== null && isSample(account)
          ? 'A sample of your own, with made-up data to look around in. It is gone after a day.'
          : `Signed in as ${account?.email ?? ''}`}
      </Words>
      {waiting > 0 ? (
        <Words type="quiet" tone="quiet">
          {counted(waiting, 'change')} still to be saved. They stay on this device and are sent when you sign in again.
        </Words>
      ) : null}
      <View style={{ flexDirection: 'row' }}>
        <Button onPress={() => void signOut()} isBusy={isBusy}>
          Sign out
        </Button>
      </View>
    </>
  );
}
