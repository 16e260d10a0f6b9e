import { AccountScreen } from '../../../src/features/settings/account/AccountScreen.tsx';

export default AccountScreen;
