import { MoodsScreen } from '../../../src/features/journal/moods/MoodsScreen.tsx';

export default MoodsScreen;
