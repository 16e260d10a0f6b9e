import { WeeksScreen } from '../../../src/features/charts/weeks/WeeksScreen.tsx';

export default WeeksScreen;
