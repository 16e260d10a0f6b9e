import { HabitsOrderScreen } from '../../../src/features/settings/HabitsOrderScreen.tsx';

export default HabitsOrderScreen;
