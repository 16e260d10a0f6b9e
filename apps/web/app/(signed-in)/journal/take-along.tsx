import { TakeAlongScreen } from '../../../src/features/journal/take/TakeAlongScreen.tsx';

export default TakeAlongScreen;
