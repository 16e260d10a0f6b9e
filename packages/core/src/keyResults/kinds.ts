import type { KeyResultMeasure } from '../record/records.ts';

/** A kind of key result. */
export type KeyResultKind = KeyResultMeasure['kind'];
type MeasureOf<K extends KeyResultKind> = Extract<KeyResultMeasure, { kind: K }>;

/** What the rules need to know of a kind of key result. A new kind is described here; the compiler lists the rest. */
type KeyResultTraits<K extends KeyResultKind> = {
  /** Where its value comes from. */
  readonly source: 'checkIns' | 'steps' | 'habit';
  /** The check-ins it takes. */
  readonly checkIns: 'any' | 'zeroOrOne' | 'none';
  /** What its owner sets: start and target, a target alone, or neither. */
  readonly scale: 'span' | 'target' | 'none';
  /** Whether a habit that feeds it must have amounts. */
  readonly needsAmounts: boolean;
  /** The unit written in its measure; undefined where there is none. */
  readonly unitOf: (measure: MeasureOf<K>) => string | undefined;
};

const none = (): undefined => undefined;

const KINDS: { readonly [K in KeyResultKind]: KeyResultTraits<K> } = {
  number: { source: 'checkIns', checkIns: 'any', scale: 'span', needsAmounts: false, unitOf: ({ unit }) => unit },
  money: {
    source: 'checkIns',
    checkIns: 'any',
    scale: 'span',
    needsAmounts: false,
    unitOf: ({ currency }) => currency,
  },
  yesNo: { source: 'checkIns', checkIns: 'zeroOrOne', scale: 'none', needsAmounts: false, unitOf: none },
  steps: { source: 'steps', checkIns: 'none', scale: 'none', needsAmounts: false, unitOf: none },
  habitDays: { source: 'habit', checkIns: 'none', scale: 'target', needsAmounts: false, unitOf: none },
  habitAmount: { source: 'habit', checkIns: 'none', scale: 'target', needsAmounts: true, unitOf: none },
};

/** Every kind, in the order in which they are offered. */
export const KEY_RESULT_KINDS = Object.keys(KINDS) as readonly KeyResultKind[];

/** Whether a value names a kind. */
export const isKeyResultKind = (kind: unknown): kind is KeyResultKind => Object.hasOwn(KINDS, kind as string);

/** The check-ins that a kind takes. */
export const checkInsOf = (kind: KeyResultKind): 'any' | 'zeroOrOne' | 'none' => KINDS[kind].checkIns;
/** What the owner of a kind sets: start and target, a target alone, or neither. */
export const scaleOfKind = (kind: KeyResultKind): 'span' | 'target' | 'none' => KINDS[kind].scale;
/** Where the value of a kind comes from. */
export const sourceOfKind = (kind: KeyResultKind): 'checkIns' | 'steps' | 'habit' => KINDS[kind].source;
/** Whether a habit that feeds this kind must have amounts. */
export const needsAmounts = (kind: KeyResultKind): boolean => KINDS[kind].needsAmounts;

/** Whether a measure goes from a start to a target, both set by its owner. */
export const isSpanMeasure = (measure: KeyResultMeasure): measure is Extract<KeyResultMeasure, { start: number }> =>
  KINDS[measure.kind].scale === 'span';
/** Whether a measure is fed by steps. */
export const isStepsMeasure = ({ kind }: KeyResultMeasure): boolean => KINDS[kind].source === 'steps';

/** The unit or currency written in a measure; undefined where it has none. */
export const unitOfMeasure = (measure: KeyResultMeasure): string | undefined =>
  (KINDS[measure.kind].unitOf as (of: KeyResultMeasure) => string | undefined)(measure);
