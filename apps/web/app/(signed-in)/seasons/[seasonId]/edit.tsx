import { useLocalSearchParams } from 'expo-router';
import { SeasonFormScreen } from '../../../../src/features/seasons/begin/SeasonFormScreen.tsx';

export default function EditSeason() {
  const { seasonId } = useLocalSearchParams<{ seasonId: string }>();
  return <SeasonFormScreen seasonId={seasonId} />;
}
