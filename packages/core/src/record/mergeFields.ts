/** A record of any kind, field by field. */
type Fields = Readonly<Record<string, unknown>>;

/** Fields that only mean something together, by collection: of two versions all of them come from the same. */
export const TOGETHER: Readonly<Record<string, readonly (readonly string[])[]>> = {
  entries: [['mark', 'amount', 'parts']],
  habits: [
    ['measure', 'terms', 'variants', 'doneBy'],
    ['startsOn', 'endsOn'],
  ],
  goals: [
    ['startsOn', 'dueOn', 'turns'],
    ['state', 'closedOn', 'turns'],
  ],
  keyResults: [
    ['measure', 'checkpoints'],
    ['startsOn', 'dueOn'],
  ],
  steps: [
    ['goalId', 'keyResultId', 'parentId'],
    ['startsOn', 'dueOn'],
  ],
};

/** Lists that are kept item by item, each by a key of its own; "" where the item is its own key. */
const LISTS: Readonly<Record<string, Readonly<Record<string, string>>>> = {
  habits: { terms: 'from', pauses: 'from', variants: 'id' },
  goals: { turns: '' },
  milestones: { after: '' },
  seasons: { goalIds: '', notes: '' },
  months: { aims: '' },
  settings: { hidden: '', dayMarks: 'atLeast', moodMarks: 'mood' },
};

/** Fields that hold values by name, each of which is one by itself. */
const BY_NAME: Readonly<Record<string, readonly string[]>> = {
  habits: ['monthTargets', 'yearTargets'],
  keyResults: ['checkpoints'],
  reviews: ['answers'],
};

/** Texts that somebody may have written long at: of two that both changed, both stay. */
const LONG_TEXTS = new Set([
  'note',
  'why',
  'doneWhen',
  'vision',
  'text',
  'wentWell',
  'gotInTheWay',
  'nextTime',
  'wins',
  'losses',
  'lessons',
]);

const isSame = (a: unknown, b: unknown): boolean =>
  JSON.stringify(sorted(a) ?? null) === JSON.stringify(sorted(b) ?? null);

/** The same value with the names of its parts in order. */
function sorted(value: unknown): unknown {
  if (Array.isArray(value)) return value.map(sorted);
  if (value === null || typeof value !== 'object') return value;
  return Object.fromEntries(
    Object.entries(value)
      .sort(([a], [b]) => (a < b ? -1 : 1))
      .map(([name, each]) => [name, sorted(each)]),
  );
}

/** What only one side changed is as that one has it; of what both did, the later. Of long texts both stay. */
function later(name: string, base: unknown, earlier: unknown, late: unknown): unknown {
  if (isSame(late, base)) return earlier;
  if (isSame(earlier, base)) return late;
  return LONG_TEXTS.has(name) && isText(earlier) && isText(late) ? bothTexts(earlier ?? '', late ?? '') : late;
}

const isText = (value: unknown): value is string | undefined | null =>
  value === undefined || value === null || typeof value === 'string';

/** Two texts as one, the later first; one that holds the other stands for both. Undefined where neither says anything. */
function bothTexts(earlier: string, late: string): string | undefined {
  if (late.includes(earlier.trim())) return late.trim() === '' ? undefined : late;
  return late.trim() === '' || earlier.includes(late.trim()) ? earlier : `${late}\n\n${earlier}`;
}

const items = (value: unknown): unknown[] => (Array.isArray(value) ? (value as unknown[]) : []);

/** The items of both: what either added, without what either took away; of an item that both changed, the later. */
function mergedList(key: string, base: unknown, earlier: unknown, late: unknown): unknown[] {
  const nameOf = (item: unknown): string => JSON.stringify(key === '' ? sorted(item) : (item as Fields)[key]);
  const byName = (list: unknown): Map<string, unknown> => new Map(items(list).map((item) => [nameOf(item), item]));
  const [was, first, last] = [byName(base), byName(earlier), byName(late)];
  const merged: unknown[] = [];
  for (const [name, item] of last) {
    // Taken away by the earlier, and not touched by the later.
    if (was.has(name) && !first.has(name) && isSame(item, was.get(name))) continue;
    merged.push(first.has(name) ? later('', was.get(name), first.get(name), item) : item);
  }
  for (const [name, item] of first)
    if (!last.has(name) && (!was.has(name) || !isSame(item, was.get(name)))) merged.push(item);
  // What has a day or a number of its own stands in its order.
  if (key === 'from' || key === 'atLeast' || key === 'mood') {
    merged.sort((a, b) => ((a as Fields)[key]! < (b as Fields)[key]! ? -1 : 1));
  }
  return merged;
}

const named = (value: unknown): Fields => (value === null || typeof value !== 'object' ? {} : (value as Fields));

function mergedByName(base: unknown, earlier: unknown, late: unknown): Fields {
  const [was, first, last] = [named(base), named(earlier), named(late)];
  const merged: Record<string, unknown> = {};
  for (const name of new Set([...Object.keys(last), ...Object.keys(first)])) {
    const value = later(name, was[name], first[name], last[name]);
    if (value !== undefined) merged[name] = value;
  }
  return merged;
}

/**
 * One record of what two devices made of it, each having begun from `base`. What only one of them changed is as that one has
 * it; of what both changed, the later holds, but lists go item by item, targets month by month, and of long texts both stay,
 * the later first. Fields that belong together (see {@link TOGETHER}) are as one side has them. It may break a rule that
 * each side kept by itself; then it is not to be used.
 */
export function mergedRecord<T extends object>(collection: string, base: T, earlier: T, late: T): T {
  const [was, first, last] = [base as Fields, earlier as Fields, late as Fields];
  const lists = LISTS[collection] ?? {};
  const merged: Record<string, unknown> = {};
  for (const name of new Set([...Object.keys(last), ...Object.keys(first)])) {
    const values = [was[name], first[name], last[name]] as const;
    const value =
      lists[name] !== undefined
        ? mergedList(lists[name], ...values)
        : BY_NAME[collection]?.includes(name)
          ? mergedByName(...values)
          : later(name, ...values);
    const isEmpty = isSame(value, []) || isSame(value, {});
    const isNothing = value === undefined || (isEmpty && (first[name] === undefined || last[name] === undefined));
    if (!isNothing) merged[name] = value;
  }
  for (const fields of TOGETHER[collection] ?? []) {
    const of = (record: Fields): unknown[] => fields.map((name) => record[name]);
    // Where only one side changed any of them, the parts above are that side's already; lists alone go item by item.
    if (isSame(of(first), of(was)) || isSame(of(last), of(was))) continue;
    const isChanged = (name: string): boolean => !isSame(first[name], was[name]) || !isSame(last[name], was[name]);
    if (fields.filter(isChanged).every((name) => lists[name] !== undefined)) continue;
    for (const name of fields) {
      if (last[name] === undefined) delete merged[name];
      else merged[name] = last[name];
    }
  }
  return merged as T;
}
