import { useEffect, useRef } from 'react';
import type { FieldValues, UseFormReturn } from 'react-hook-form';

const nameOf = (name: string): string => `wimbel.draft.${name}`;

function read(name: string): object | null {
  try {
    const text = globalThis.sessionStorage?.getItem(nameOf(name));
    const value: unknown = text ? JSON.parse(text) : null;
    return typeof value === 'object' ? value : null;
  } catch {
    return null;
  }
}

/** Nothing that one account filled in is there for the next. */
export function forgetDrafts(): void {
  try {
    const { sessionStorage: storage } = globalThis;
    for (const key of Object.keys(storage)) if (key.startsWith(nameOf(''))) storage.removeItem(key);
  } catch {
    // Where nothing may be kept there is nothing to forget.
  }
}

/** Forgets what was filled in, as it is kept or was given up. */
export function forgetDraft(name: string): void {
  try {
    globalThis.sessionStorage?.removeItem(nameOf(name));
  } catch {
    // Where nothing may be kept there is nothing to forget.
  }
}

/**
 * Keeps what is filled in of a form while this tab is open, so that a look at another place costs nothing. Puts it back
 * when the form comes again; `name` is null for a form that keeps none.
 */
export function useFormDraft<V extends FieldValues>(name: string | null, form: UseFormReturn<V>): void {
  const { watch, reset, getValues } = form;
  const isPutBack = useRef(false);
  useEffect(() => {
    if (name === null) return;
    if (!isPutBack.current) {
      isPutBack.current = true;
      const kept = read(name);
      // Fields that the form has no more are let go.
      const own = Object.entries(kept ?? {}).filter(([field]) => field in getValues());
      if (own.length > 0) reset({ ...getValues(), ...Object.fromEntries(own) }, { keepDefaultValues: true });
    }
    const { unsubscribe } = watch((values) => {
      try {
        globalThis.sessionStorage?.setItem(nameOf(name), JSON.stringify(values));
      } catch {
        // A full or forbidden storage only means that the form begins anew.
      }
    });
    return unsubscribe;
  }, [name, watch, reset, getValues]);
}
