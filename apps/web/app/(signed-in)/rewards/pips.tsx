import { lazyScreen } from '../../../src/routes/lazyScreen.tsx';

export default lazyScreen('PipsTableScreen');
