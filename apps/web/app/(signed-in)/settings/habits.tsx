import { HabitsOrderScreen } from '../../../src/features/settings/lists/HabitsOrderScreen.tsx';

export default HabitsOrderScreen;
