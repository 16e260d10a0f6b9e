import { configureStore } from '@reduxjs/toolkit';
import { type TypedUseSelectorHook, useDispatch, useSelector } from 'react-redux';
import { accountReducer } from './accountSlice.ts';
import { clockReducer } from './clockSlice.ts';
import { outboxReducer } from './outboxSlice.ts';
import { recordsReducer } from './recordsSlice.ts';

export const createStore = () =>
  configureStore({
    reducer: { account: accountReducer, records: recordsReducer, outbox: outboxReducer, clock: clockReducer },
    // A person's whole record is in the store: walking through it on every tap would cost more than the tap.
    middleware: (defaults) => defaults({ serializableCheck: false, immutableCheck: false }),
  });

export type Store = ReturnType<typeof createStore>;
export type RootState = ReturnType<Store['getState']>;

export const useAppDispatch = useDispatch.withTypes<Store['dispatch']>();
export const useAppSelector: TypedUseSelectorHook<RootState> = useSelector;
