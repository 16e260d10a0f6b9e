import { PromptsScreen } from '../../../src/features/settings/PromptsScreen.tsx';

export default PromptsScreen;
