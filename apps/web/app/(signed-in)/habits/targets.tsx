import { TargetTableScreen } from '../../../src/features/habits/targets/TargetTableScreen.tsx';

export default function Targets() {
  return <TargetTableScreen />;
}
