import { PrintScreen } from '../../../src/features/charts/saving/PrintScreen.tsx';

export default PrintScreen;
