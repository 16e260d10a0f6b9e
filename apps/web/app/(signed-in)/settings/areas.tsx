import { AreasScreen } from '../../../src/features/settings/AreasScreen.tsx';

export default AreasScreen;
