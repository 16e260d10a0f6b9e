import { PromptsScreen } from '../../../src/features/settings/lists/PromptsScreen.tsx';

export default PromptsScreen;
