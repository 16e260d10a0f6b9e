import { JournalScreen } from '../../../src/features/journal/page/JournalScreen.tsx';

export default JournalScreen;
