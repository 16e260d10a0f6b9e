import { JournalScreen } from '../../../src/features/journal/JournalScreen.tsx';

export default JournalScreen;
