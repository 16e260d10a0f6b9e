import { Root } from '../src/features/account/Root.tsx';

export default Root;
