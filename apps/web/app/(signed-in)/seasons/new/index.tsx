import { GuidedSeasonScreen } from '../../../../src/features/seasons/begin/GuidedSeasonScreen.tsx';

export default GuidedSeasonScreen;
