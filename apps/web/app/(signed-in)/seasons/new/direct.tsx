import { SeasonFormScreen } from '../../../../src/features/seasons/begin/SeasonFormScreen.tsx';

export default function NewSeason() {
  return <SeasonFormScreen />;
}
