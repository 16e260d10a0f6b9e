import { SettingsScreen } from '../../../src/features/settings/SettingsScreen.tsx';

export default SettingsScreen;
