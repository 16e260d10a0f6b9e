import { expose } from 'comlink';
import { createReviewer } from './reviewer.ts';

expose(createReviewer());
