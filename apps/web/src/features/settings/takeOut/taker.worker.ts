import { expose } from 'comlink';
import { createTaker } from './taker.ts';

expose(createTaker());
