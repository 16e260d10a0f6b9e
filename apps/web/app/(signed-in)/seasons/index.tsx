import { SeasonsScreen } from '../../../src/features/seasons/list/SeasonsScreen.tsx';

export default SeasonsScreen;
