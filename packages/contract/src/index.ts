export {
  type Change,
  changesIssues,
  isRevision,
  type ChangeResult,
  MOST_AHEAD_MS,
  type ChangesAnswer,
  type ServerRow,
  type ChangesSince,
} from './changes.ts';
export { SCHEMAS, type Checked, checkRecord } from './collections.ts';
export {
  type Collection,
  type RecordOf,
  COLLECTIONS,
  type ListCollection,
  LIST_COLLECTIONS,
  SETTINGS_KEY,
  entryKey,
  entryOfKey,
  keyOf,
  isKey,
} from './keys.ts';
export { QUOTA, SAMPLE_QUOTA, type Usage, type UsageAnswer, fullestOf, withAdded } from './quotas.ts';
export { type Issue, isInstant } from './plain.ts';
export { isLink, linkTarget } from './links.ts';
export { ERROR_STATUS, type ErrorCode, type ErrorBody } from './errors.ts';
export {
  text,
  unit,
  name,
  id,
  day,
  month,
  instant,
  number,
  whole,
  notNegative,
  dayCount,
  order,
  flag,
  oneOf,
  weekdays,
  list,
  type RecordField,
  recordShape,
  shape,
  dictionary,
  faults,
  withoutNulls,
  issuesOf,
} from './fields.ts';
export { type Made, isLater } from './later.ts';
export { LIMITS, sizeOf, sizeOfJson } from './limits.ts';
export { ACCOUNT_HEADER, PATHS } from './paths.ts';
export { type Reference, type Find, referencesOf, relationIssues, keyResultDueIssue } from './relations.ts';
export {
  type NamedBy,
  isNamed,
  type RemovalPlan,
  type RemovalQuestion,
  removalPlan,
  plannedRemoval,
} from './removal.ts';
