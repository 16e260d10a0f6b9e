import { SignInScreen } from '../src/features/account/SignInScreen.tsx';

export default function SignIn() {
  return <SignInScreen />;
}
