import { LogScreen } from '../../src/features/log/LogScreen.tsx';

export default LogScreen;
