import { AllPagesScreen } from '../../../src/features/journal/pages/AllPagesScreen.tsx';

export default AllPagesScreen;
