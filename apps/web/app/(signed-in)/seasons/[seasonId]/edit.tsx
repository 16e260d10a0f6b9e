import { useLocalSearchParams } from 'expo-router';
import { lazyScreen } from '../../../../src/routes/lazyScreen.tsx';

const SeasonFormScreen = lazyScreen('SeasonFormScreen');

export default function EditSeason() {
  const { seasonId } = useLocalSearchParams<{ seasonId: string }>();
  return <SeasonFormScreen seasonId={seasonId} />;
}
