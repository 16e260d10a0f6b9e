import { expose } from 'comlink';
import { newId } from '../../../store/makeChange.ts';
import { createReader } from './reader.ts';

expose(createReader(newId));
