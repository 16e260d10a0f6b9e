import { SignedIn } from '../../src/features/account/SignedIn.tsx';

export default SignedIn;
