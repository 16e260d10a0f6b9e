import type { Ref } from 'react';

/** A ref to the DOM element that a primitive is on the web, where its type names the native view. */
export const domRef = <E extends HTMLElement>(ref: Ref<E> | undefined): Ref<never> => ref as Ref<never>;
