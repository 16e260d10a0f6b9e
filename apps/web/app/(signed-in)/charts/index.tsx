import { ChartsScreen } from '../../../src/features/charts/ChartsScreen.tsx';

export default ChartsScreen;
