import UserRound from 'lucide-react-native/icons/user-round';
import { useState } from 'react';
import { View } from 'react-native';
import { type Appearance, useIsWide, useTheme } from '../theme/Theme.tsx';
import { SPACE } from '../theme/space.ts';
import { api } from '../shared/api.ts';
import { counted } from '../shared/format.ts';
import { Button } from '../ui/Button.tsx';
import { Labelled } from '../ui/Field.tsx';
import { IconButton } from '../ui/IconButton.tsx';
import { Segments } from '../ui/Segments.tsx';
import { Sheet } from '../ui/Sheet.tsx';
import { useToast } from '../ui/Toast.tsx';
import { Words } from '../ui/Words.tsx';
import { signedOut } from './accountSlice.ts';
import { useAppDispatch, useAppSelector } from './store.ts';

const APPEARANCE_CHOICES: { value: Appearance; label: string }[] = [
  { value: 'system', label: 'As the system' },
  { value: 'light', label: 'Light' },
  { value: 'dark', label: 'Dark' },
];

/** Opens the sheet of the account: who is signed in, light or dark, sign out. */
export function AccountButton() {
  const [isOpen, setIsOpen] = useState(false);
  const isWide = useIsWide();
  const { colors } = useTheme();
  return (
    <>
      {isWide ? (
        <Button kind="bare" icon={<UserRound size={18} color={colors.working} />} onPress={() => setIsOpen(true)}>
          Account
        </Button>
      ) : (
        <IconButton icon={UserRound} label="Account" onPress={() => setIsOpen(true)} />
      )}
      {isOpen ? <AccountSheet onClose={() => setIsOpen(false)} /> : null}
    </>
  );
}

function AccountSheet({ onClose }: { onClose: () => void }) {
  const { appearance, setAppearance } = useTheme();
  const email = useAppSelector((state) => state.account.account?.email ?? '');
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
    <Sheet title="Account" onClose={onClose}>
      <Words tone="quiet">
        {email.endsWith('.invalid') ? 'The sample account: made-up data to look around in.' : `Signed in as ${email}`}
      </Words>
      <Labelled label="Appearance, on this device">
        <Segments
          label="Appearance"
          value={appearance}
          choices={APPEARANCE_CHOICES}
          onChange={setAppearance}
          isWrapping
        />
      </Labelled>
      {waiting > 0 ? (
        <Words type="quiet" tone="quiet">
          {counted(waiting, 'change')} still to be saved. They stay on this device and are sent when you sign in again.
        </Words>
      ) : null}
      <View style={{ flexDirection: 'row', gap: SPACE.s }}>
        <Button onPress={() => void signOut()} isBusy={isBusy}>
          Sign out
        </Button>
      </View>
    </Sheet>
  );
}
