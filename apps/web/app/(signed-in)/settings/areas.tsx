import { AreasScreen } from '../../../src/features/settings/lists/AreasScreen.tsx';

export default AreasScreen;
