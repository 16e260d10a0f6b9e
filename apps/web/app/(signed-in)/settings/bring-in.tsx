import { BringInScreen } from '../../../src/features/settings/import/ImportScreen.tsx';

export default BringInScreen;
