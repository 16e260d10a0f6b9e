import { TargetTableScreen } from '../../../src/features/habits/TargetTableScreen.tsx';

export default function Targets() {
  return <TargetTableScreen />;
}
