import { lazyScreen } from '../../../src/routes/lazyScreen.tsx';

const TargetTableScreen = lazyScreen('TargetTableScreen');

export default function Targets() {
  return <TargetTableScreen />;
}
