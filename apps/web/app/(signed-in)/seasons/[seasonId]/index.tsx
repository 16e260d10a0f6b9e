import { useLocalSearchParams } from 'expo-router';
import { lazyScreen } from '../../../../src/routes/lazyScreen.tsx';

const SeasonScreen = lazyScreen('SeasonScreen');

export default function OneSeason() {
  const { seasonId, open } = useLocalSearchParams<{ seasonId: string; open?: string }>();
  return <SeasonScreen key={seasonId} seasonId={seasonId} open={open} />;
}
