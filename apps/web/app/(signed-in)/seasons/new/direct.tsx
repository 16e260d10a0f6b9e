import { lazyScreen } from '../../../../src/routes/lazyScreen.tsx';

const SeasonFormScreen = lazyScreen('SeasonFormScreen');

export default function NewSeason() {
  return <SeasonFormScreen />;
}
