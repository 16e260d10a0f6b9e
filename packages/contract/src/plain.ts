import { parseDay } from '@wimbel/core';
import { LIMITS } from './limits.ts';

/** A fault of a value: where it is (dots and [places], empty for the value itself) and what is wrong, in plain words. */
export type Issue = { path: string; message: string };

const UNSTORABLE = /\0|\p{Surrogate}/u;
/** Matches at least wherever {@link UNSTORABLE} does, and is ten times as fast. */
const SUSPECT = /[\0\ud800-\udfff]/;

/** Whether PostgreSQL can store a text: it has no NUL, and no half of a surrogate pair. */
export const isStorable = (text: string): boolean => !SUSPECT.test(text) || !UNSTORABLE.test(text);

/** Names that every object has: a map that is looked up by one of them seems to hold what it does not. */
const NAMES_OF_OBJECTS: ReadonlySet<string> = new Set([...Object.getOwnPropertyNames(Object.prototype), 'prototype']);

/** Whether a text is a name that every object has, such as `__proto__` or `constructor`; no id may be one. */
export const isNameOfObjects = (value: string): boolean => NAMES_OF_OBJECTS.has(value);

/** Whether a text can be an id. */
export const isId = (value: string): boolean =>
  value.length > 0 && value.length <= LIMITS.idLength && isStorable(value) && !isNameOfObjects(value);

const FIRST_DAY = '0001-01-01';

/** Whether a text is a day from the year 1 on, `YYYY-MM-DD`. */
export const isDay = (value: string): boolean => parseDay(value) !== null && value >= FIRST_DAY;

const INSTANT = /^(\d{4}-\d{2}-\d{2})T([01]\d|2[0-3]):[0-5]\d:[0-5]\d(\.\d{1,6})?Z$/;

/** Whether a text is an instant in UTC, such as 2025-03-01T07:30:00.000Z. */
export const isInstant = (value: string): boolean => parseDay(INSTANT.exec(value)?.[1] ?? '') !== null;
