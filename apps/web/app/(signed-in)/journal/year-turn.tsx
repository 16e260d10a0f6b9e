import { YearTurnScreen } from '../../../src/features/journal/yearTurn/YearTurnScreen.tsx';

export default YearTurnScreen;
