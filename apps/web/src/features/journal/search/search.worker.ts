import { expose } from 'comlink';
import { createSearcher } from './searcher.ts';

expose(createSearcher());
