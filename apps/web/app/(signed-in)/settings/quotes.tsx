import { QuotesScreen } from '../../../src/features/settings/lists/QuotesScreen.tsx';

export default QuotesScreen;
