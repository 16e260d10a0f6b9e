import { useAppSelector } from '../../../store/store.ts';
import { Page } from '../../../ui/Frame.tsx';
import { PageHead } from '../../../ui/PageHead.tsx';
import { isSample } from '../../../store/accountSlice.ts';
import { DataCard } from './DataCard.tsx';
import { DeleteAccountCard } from './DeleteAccountCard.tsx';
import { PasswordCard } from './PasswordCard.tsx';
import { SessionsCard } from './SessionsCard.tsx';
import { TakeOutCard } from '../export/ExportCard.tsx';
import { PATHS } from '../../../platform/paths.ts';

/** The account itself: its data as a file, its password, where it is open, and its end. */
export function AccountScreen() {
  const account = useAppSelector((state) => state.account.account);
  if (account === null) return null;
  return (
    <Page>
      <PageHead title="Account and data" backTo={PATHS.settings} />
      <DataCard />
      <TakeOutCard />
      {isSample(account) ? null : (
        <>
          <PasswordCard accountId={account.id} />
          <SessionsCard accountId={account.id} />
          <DeleteAccountCard accountId={account.id} email={account.email} />
        </>
      )}
    </Page>
  );
}
