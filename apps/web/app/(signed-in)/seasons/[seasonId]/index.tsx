import { useLocalSearchParams } from 'expo-router';
import { SeasonScreen } from '../../../../src/features/seasons/page/SeasonScreen.tsx';

export default function OneSeason() {
  const { seasonId, open } = useLocalSearchParams<{ seasonId: string; open?: string }>();
  return <SeasonScreen key={seasonId} seasonId={seasonId} open={open} />;
}
