import { configureStore } from '@reduxjs/toolkit';
import { startTransition, useEffect, useState } from 'react';
import { type TypedUseSelectorHook, useDispatch, useSelector, useStore } from 'react-redux';
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

/** Calls back once what changed has been painted; what was asked for in between is done together. */
const afterPaint = (() => {
  const asked = new Set<() => void>();
  let isAsked = false;
  const go = (): void => {
    isAsked = false;
    const now = [...asked];
    asked.clear();
    startTransition(() => now.forEach((each) => each()));
  };
  return (callback: () => void): void => {
    asked.add(callback);
    if (isAsked) return;
    isAsked = true;
    requestAnimationFrame(() => setTimeout(go));
  };
})();

/**
 * {@link useAppSelector}, deferred until the tap is painted, then rendered as a transition. For figures over the whole record;
 * `selector` must be a stable function.
 */
export function useDeferredSelector<V>(selector: (state: RootState) => V): V {
  const store = useStore<RootState>();
  const [held, setHeld] = useState(() => ({ value: selector(store.getState()), selector }));
  useEffect(() => {
    let isGone = false;
    let told: { value: V } | null = null;
    const look = (): void => {
      if (isGone) return;
      const value = selector(store.getState());
      if (told !== null && Object.is(told.value, value)) return;
      told = { value };
      setHeld((before) =>
        before.selector === selector && Object.is(before.value, value) ? before : { value, selector },
      );
    };
    const later = (): void => afterPaint(look);
    // Something may have changed since it was drawn first.
    later();
    const stop = store.subscribe(later);
    return () => {
      isGone = true;
      stop();
    };
  }, [store, selector]);
  return held.selector === selector ? held.value : selector(store.getState());
}
