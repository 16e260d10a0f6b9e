import { WEEKDAYS, parseMonth } from '@wimbel/core';
import * as yup from 'yup';
import type { Collection, RecordOf } from './keys.ts';
import { LIMITS, sizeOf } from './limits.ts';
import { isLink } from './links.ts';
import { type Issue, isDay, isInstant, isNameOfObjects, isStorable } from './plain.ts';

const characters = () =>
  yup
    .string()
    .typeError('is not text')
    .test('storable', 'has characters that are not text', (value) => value == null || isStorable(value));

/** Text of any length that a person could mean. */
export const text = () => characters().max(LIMITS.textLength, `is longer than ${LIMITS.textLength} characters`);

/** The unit of an amount; may be empty. */
export const unit = () => characters().defined('is missing').max(40, 'is longer than 40 characters');

/** A name or title: at least one character that can be seen. */
export const name = () =>
  text()
    .required('is missing')
    .test('seen', 'is empty', (value) => value.trim().length > 0);

/** An id made by the client: 1 to 64 characters, and none of the names that every object has. */
export const id = () =>
  characters()
    .required('is missing')
    .max(LIMITS.idLength, `is longer than ${LIMITS.idLength} characters`)
    .test('own', 'is a name that nothing can have as its id', (value) => !isNameOfObjects(value));

/** A link as a person wrote it; it has no scheme, or one that may be opened. */
export const link = () =>
  text().test(
    'link',
    'is not a link that starts with http, https or mailto',
    (value) => value == null || isLink(value),
  );

/** A day from the year 1 on, `YYYY-MM-DD`. */
export const day = () =>
  yup
    .string()
    .typeError('is not a day, written YYYY-MM-DD')
    .test('day', 'is not a day that exists, written YYYY-MM-DD', (value) => value == null || isDay(value));

/** A month, `YYYY-MM`. */
export const month = () =>
  yup
    .string()
    .typeError('is not a month, written YYYY-MM')
    .test(
      'month',
      'is not a month that exists, written YYYY-MM',
      (value) => value == null || parseMonth(value) !== null,
    );

/** An instant in UTC, ISO 8601 with a Z. */
export const instant = () =>
  yup
    .string()
    .typeError('is not an instant')
    .test(
      'instant',
      'is not an instant in UTC, such as 2025-03-01T07:30:00Z',
      (value) => value == null || isInstant(value),
    );

/** A finite number. */
export const number = () =>
  yup
    .number()
    .typeError('is not a number')
    .test('finite', 'is not a number', (value) => value == null || Number.isFinite(value));

/** A whole number that can be held exactly. */
export const whole = () =>
  number().test('whole', 'is not a whole number', (value) => value == null || Number.isInteger(value));

/** A finite number from 0. */
export const notNegative = () => number().min(0, 'is below 0');

/** A whole number of days, from 0. */
export const dayCount = () => whole().min(0, 'is below 0');

/** A place in an order the person chose; any finite number. */
export const order = () => number().required('is missing');

/** True or false. */
export const flag = () => yup.boolean().typeError('is neither true nor false');

/** One of a few texts or numbers. */
export const oneOf = <T extends string | number>(values: readonly T[]) =>
  yup.mixed<T>().oneOf(values, `is none of ${values.join(', ')}`);

/** One to seven weekdays, each once. */
export const weekdays = () =>
  list(oneOf(WEEKDAYS).required('is missing'), WEEKDAYS.length).test(
    'once',
    'names a weekday twice',
    (value) => value == null || new Set(value).size === value.length,
  );

/** A list of at most `most` elements. */
export const list = <T extends yup.ISchema<unknown>>(each: T, most: number) =>
  yup
    .array(each as never)
    .typeError('is not a list')
    .max(most, `has more than ${most} elements`);

type Fields = Record<string, yup.ISchema<unknown> | yup.Reference>;

/** An object with these fields and no others; each unknown key is a fault at its own path. */
export function shape(fields: Fields) {
  return yup
    .object(fields as yup.ObjectShape)
    .default(undefined)
    .typeError('is not an object')
    .test('known', '', (value, context) => {
      const unknown = value == null ? [] : Object.keys(value).filter((key) => !Object.hasOwn(fields, key));
      if (unknown.length === 0) return true;
      return new yup.ValidationError(
        unknown.slice(0, LIMITS.issues).map((key) => {
          const named = key.slice(0, 80);
          const path = context.path ? `${context.path}.${named}` : named;
          return context.createError({ path, message: 'is not a known key' });
        }),
      );
    });
}

/** The fields of a collection's record, by its type in `core`. */
export type RecordField<C extends Collection> =
  RecordOf<C> extends infer R ? (R extends unknown ? keyof R : never) : never;

/** The shape of a collection's record. A field that its type has and this lacks, or the other way round, is a compiler error. */
export const recordShape = <C extends Collection>(fields: Record<RecordField<C>, Fields[string]>) => shape(fields);

/** An object whose keys are data (months, years), each checked by `isKey`, each value by `each`. */
export function dictionary(
  isKey: (key: string) => boolean,
  keyFault: string,
  each: yup.ISchema<unknown>,
  most: number = LIMITS.lists.months,
) {
  return yup.lazy((value: unknown) => {
    const keys = value !== null && typeof value === 'object' && !Array.isArray(value) ? Object.keys(value) : [];
    return yup
      .object(Object.fromEntries(keys.map((key) => [key, each])) as yup.ObjectShape)
      .default(undefined)
      .typeError('is not an object')
      .test('keys', '', (_, context) => {
        if (keys.length > most) return context.createError({ message: `has more than ${most} elements` });
        const wrong = keys.filter((key) => !isKey(key)).slice(0, LIMITS.issues);
        if (wrong.length === 0) return true;
        return new yup.ValidationError(
          wrong.map((key) => context.createError({ path: `${context.path}.${key.slice(0, 80)}`, message: keyFault })),
        );
      });
  });
}

/** A test over a whole object that reports faults at paths of its fields. */
export const faults =
  <T>(find: (value: T) => (Issue | false)[]) =>
  (value: unknown, context: yup.TestContext): true | yup.ValidationError => {
    if (value === null || typeof value !== 'object') return true;
    const found = find(value as T).filter((each): each is Issue => each !== false);
    if (found.length === 0) return true;
    return new yup.ValidationError(
      found.map(({ path, message }) =>
        context.createError({ path: [context.path, path].filter(Boolean).join('.'), message }),
      ),
    );
  };

/** Why a value is too large to be validated; null where it is not. */
export function sizeIssue(value: unknown): Issue | null {
  const { values, depth } = sizeOf(value);
  if (depth > LIMITS.depth) return { path: '', message: `is nested more than ${LIMITS.depth} deep` };
  if (values > LIMITS.values) return { path: '', message: `has more than ${LIMITS.values} values` };
  return null;
}

/** The value without keys that hold null or nothing, at any depth of objects; lists keep their places. */
export function withoutNulls(value: unknown): unknown {
  if (Array.isArray(value)) return value.map(withoutNulls);
  if (value === null || typeof value !== 'object') return value;
  const kept: [string, unknown][] = [];
  for (const [key, each] of Object.entries(value)) {
    if (each !== null && each !== undefined) kept.push([key, withoutNulls(each)]);
  }
  return Object.fromEntries(kept);
}

/** From so many values on a value is large. */
const LARGE = 200;

/**
 * The faults of a value against a schema, in order, {@link LIMITS}.issues of them at most; empty when it holds. Nothing
 * is converted. A value that is too large or nested too deep has that one fault, and no part of it is looked at.
 */
export function issuesOf(schema: yup.ISchema<unknown>, value: unknown): Issue[] {
  const size = sizeIssue(value);
  if (size !== null) return [size];
  // Of a large value the first fault is enough: going on to find them all would take long.
  const abortEarly = sizeOf(value).values > LARGE;
  try {
    (schema as yup.Schema).validateSync(value, { strict: true, abortEarly, disableStackTrace: true });
    return [];
  } catch (error) {
    // A check that trips over a value it was not made for has found a fault.
    if (!(error instanceof yup.ValidationError)) return [{ path: '', message: 'cannot be read' }];
    const inner = error.inner.length > 0 ? error.inner : [error];
    const seen = new Map<string, Issue>();
    for (const each of inner.flatMap((one) => (one.inner.length > 0 ? one.inner : [one]))) {
      const issue = { path: each.path ?? '', message: each.errors[0] ?? each.message };
      if (!seen.has(issue.path)) seen.set(issue.path, issue);
    }
    return [...seen.values()].slice(0, LIMITS.issues);
  }
}
