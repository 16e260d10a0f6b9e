import { PrintLogScreen } from '../../src/features/log/PrintLogScreen.tsx';

export default PrintLogScreen;
