import { Redirect } from 'expo-router';
import { PATHS } from '../../src/platform/paths.ts';

export default function Start() {
  return <Redirect href={PATHS.today} />;
}
