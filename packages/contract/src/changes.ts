import type { InstantText } from '@wimbel/core';
import { COLLECTIONS, type Collection, type RecordOf } from './collections.ts';
import { type Issue, id, instant, issuesOf, list, oneOf, shape } from './fields.ts';
import * as yup from 'yup';

/** One record as it is to be from an instant on, or its removal (`record: null`). Sending it twice is harmless. */
export type Change<C extends Collection = Collection> = {
  id: string;
  madeAt: InstantText;
  collection: C;
  key: string;
  record: RecordOf<C> | null;
};

/** The most changes that one request may carry. */
export const MOST_CHANGES = 500;

/** The size in bytes that a request's body may have. */
export const MOST_BODY_BYTES = 4 * 1024 * 1024;

/** The envelope of `POST /api/changes`; each record inside is checked by itself, so that one fault refuses one change. */
export const changesSchema = shape({
  changes: list(
    shape({
      id: id(),
      madeAt: instant().required('is missing'),
      collection: oneOf(COLLECTIONS).required('is missing'),
      key: yup.string().typeError('is not text').required('is missing').max(80, 'is longer than 80 characters'),
      record: yup.mixed().nullable(),
    }).required('is missing'),
  )
    .required('is missing')
    .max(MOST_CHANGES, `has more than ${MOST_CHANGES} changes`),
});

/** Every fault of a request body of changes. */
export const changesIssues = (body: unknown): Issue[] => issuesOf(changesSchema, body);

/**
 * What became of a change: taken in, passed over because something later is already there (or this very change), or
 * refused for the issues named.
 */
export type ChangeResult =
  | { id: string; status: 'accepted' | 'superseded'; revision: number }
  | { id: string; status: 'refused'; issues: Issue[] };

/** The answer to `POST /api/changes`. */
export type ChangesAnswer = { revision: number; results: ChangeResult[] };

/** A record (or its removal) as the server has it. */
export type ServerRow = {
  collection: Collection;
  key: string;
  revision: number;
  madeAt: InstantText;
  record: RecordOf<Collection> | null;
};

/** The answer to `GET /api/changes?since=`: rows in order of revision. With `more`, ask again since `revision`. */
export type ChangesSince = { revision: number; more: boolean; rows: ServerRow[] };
