import { LookBackScreen } from '../../../src/features/journal/lookBack/LookBackScreen.tsx';

export default LookBackScreen;
