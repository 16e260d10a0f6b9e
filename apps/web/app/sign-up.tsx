import { SignInScreen } from '../src/features/account/SignInScreen.tsx';

export default function SignUp() {
  return <SignInScreen isNew />;
}
