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

/** Deletes all form drafts, when the account changes. */
export function forgetDrafts(): void {
  try {
    const { sessionStorage: storage } = globalThis;
    for (const key of Object.keys(storage)) if (key.startsWith(nameOf(''))) storage.removeItem(key);
  } catch {
    // Session storage is forbidden: there is no draft.
  }
}

/** Deletes a draft after saving or cancelling. */
export function forgetDraft(name: string): void {
  try {
    globalThis.sessionStorage?.removeItem(nameOf(name));
  } catch {
    // Session storage is forbidden: there is no draft.
  }
}

/** Persists a form's values as a draft in session storage and restores them on mount; `name` is null for forms without drafts. */
export function useFormDraft<V extends FieldValues>(name: string | null, form: UseFormReturn<V>): void {
  const { watch, reset, getValues } = form;
  const isPutBack = useRef(false);
  useEffect(() => {
    if (name === null) return;
    if (!isPutBack.current) {
      isPutBack.current = true;
      const kept = read(name);
      // Unknown fields are dropped.
      const own = Object.entries(kept ?? {}).filter(([field]) => field in getValues());
      if (own.length > 0) reset({ ...getValues(), ...Object.fromEntries(own) }, { keepDefaultValues: true });
    }
    const { unsubscribe } = watch((values) => {
      try {
        globalThis.sessionStorage?.setItem(nameOf(name), JSON.stringify(values));
      } catch {
        // Storage is full or forbidden: no draft.
      }
    });
    return unsubscribe;
  }, [name, watch, reset, getValues]);
}
