import { useState } from 'react';
import { View } from 'react-native';
import { ApiError } from '@wimbel/sync';
import { api } from '../../../platform/api.ts';
import { signedOut } from '../../../store/accountSlice.ts';
import { clearDeviceData } from '../../../sync/deviceData.ts';
import { useAppDispatch } from '../../../store/store.ts';
import { Button } from '../../../ui/Button.tsx';
import { Field } from '../../../ui/Field.tsx';
import { SectionCard } from '../../../ui/SectionCard.tsx';
import { Sheet } from '../../../ui/Sheet.tsx';
import { Words } from '../../../ui/Words.tsx';
import { accountFaultWords } from './accountWords.ts';

/** The end of the account, with everything in it. */
export function DeleteAccountCard({ accountId, email }: { accountId: string; email: string }) {
  const [isAsking, setIsAsking] = useState(false);
  return (
    <SectionCard title="Delete the account">
      <Words tone="quiet">
        Everything you recorded goes from the server for good. Download your data first if you may want it again.
      </Words>
      <View style={{ flexDirection: 'row' }}>
        <Button onPress={() => setIsAsking(true)}>Delete account</Button>
      </View>
      {isAsking ? <DeleteSheet accountId={accountId} email={email} onClose={() => setIsAsking(false)} /> : null}
    </SectionCard>
  );
}

function DeleteSheet({ accountId, email, onClose }: { accountId: string; email: string; onClose: () => void }) {
  const dispatch = useAppDispatch();
  const [password, setPassword] = useState('');
  const [fault, setFault] = useState<string | null>(null);
  const [isBusy, setIsBusy] = useState(false);
  const submit = async (): Promise<void> => {
    if (password === '') return setFault('Write your password');
    setIsBusy(true);
    try {
      await api.deleteAccount(accountId, password);
      await clearDeviceData(accountId, { keepsWaiting: false });
      dispatch(signedOut());
    } catch (error) {
      if (!(error instanceof ApiError)) throw error;
      setFault(accountFaultWords(error.fault));
      setIsBusy(false);
    }
  };
  return (
    <Sheet title="Delete this account?" onClose={onClose}>
      <Words>{`The account of ${email} goes with every habit, day, goal and note in it. This cannot be undone.`}</Words>
      <Field
        label="Your password"
        value={password}
        onChangeText={setPassword}
        onSubmitEditing={() => void submit()}
        error={fault ?? undefined}
        secureTextEntry
        autoCapitalize="none"
        autoComplete="current-password"
      />
      <Button kind="main" onPress={() => void submit()} isBusy={isBusy}>
        Delete everything
      </Button>
    </Sheet>
  );
}
