import { QuotesScreen } from '../../../src/features/settings/QuotesScreen.tsx';

export default QuotesScreen;
