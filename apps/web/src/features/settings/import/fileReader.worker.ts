import { expose } from 'comlink';
import { openRecordStore } from '../../../sync/recordStore.ts';
import { createFileReader } from './fileReader.ts';

expose(createFileReader((accountId) => (places) => openRecordStore(accountId).madeOf(places)));
