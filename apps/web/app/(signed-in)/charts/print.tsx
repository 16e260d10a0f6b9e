import { PrintScreen } from '../../../src/features/charts/PrintScreen.tsx';

export default PrintScreen;
