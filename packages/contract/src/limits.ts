/** How much of everything the server takes. What is larger is refused before any part of it is checked. */
export const LIMITS = {
  /** The size in bytes of the body of a request. */
  bodyBytes: 512 * 1024,
  /** Characters of an id. */
  idLength: 64,
  /** Changes in one request. */
  changes: 500,
  /** Values (numbers, texts, lists, objects) in one record, however nested. */
  values: 3000,
  /** Values in all the records of one request together: what a request may cost to check. */
  valuesTogether: 10_000,
  /** Values in the text of a request, its changes' own fields with them. */
  valuesInBody: 30_000,
  /** Lists and objects inside of each other. */
  depth: 12,
  /** Faults that are named of one value. */
  issues: 20,
  /** Characters in a text. */
  textLength: 20000,
  /** Characters in a key of a record. */
  keyLength: 80,
  /** Elements of each kind of list. */
  lists: {
    /** Schedules a habit has had. */
    terms: 200,
    pauses: 200,
    /** Months or years with something of their own. */
    months: 1200,
    variants: 300,
    /** Parts of one day of a habit. */
    parts: 300,
    /** What has happened to a goal. */
    turns: 1000,
    /** Milestones that another waits for. */
    after: 100,
    dayMarks: 50,
    seasonGoals: 300,
    seasonHabits: 300,
    notes: 300,
    aims: 100,
    feelings: 50,
    answers: 100,
    answerItems: 200,
  },
} as const;

/**
 * How many values there are in a value, and how deep they are nested (1 for a value alone). The walk stops at the first
 * limit it passes, so it looks at {@link LIMITS}.values + 1 at most.
 */
export function sizeOf(value: unknown): { values: number; depth: number } {
  const waiting: [unknown, number][] = [[value, 1]];
  let values = 0;
  let depth = 0;
  for (let next = waiting.pop(); next !== undefined; next = waiting.pop()) {
    const [each, level] = next;
    values++;
    depth = Math.max(depth, level);
    if (depth > LIMITS.depth) break;
    if (each === null || typeof each !== 'object') continue;
    const inside: unknown[] = Array.isArray(each) ? each : Object.values(each);
    if (values + waiting.length + inside.length > LIMITS.values) return { values: LIMITS.values + 1, depth };
    for (const one of inside) waiting.push([one, level + 1]);
  }
  return { values, depth };
}

const QUOTE = 34;
const BACKSLASH = 92;
const COMMA = 44;
const OPENS = new Set([91, 123]);
const CLOSES = new Set([93, 125]);

/**
 * How many values there are at most in a JSON text, and how deep they are nested, without reading it: one look at each
 * character, so that a text can be refused before it is made into values. A text that is not JSON gets some number.
 */
export function sizeOfJson(text: string): { values: number; depth: number } {
  let values = 1;
  let depth = 0;
  let deepest = 0;
  for (let at = 0; at < text.length; at++) {
    const character = text.charCodeAt(at);
    if (character === QUOTE) {
      // On to the end of the text in quotes; what a backslash stands before does not end it.
      for (at++; at < text.length && text.charCodeAt(at) !== QUOTE; at++) if (text.charCodeAt(at) === BACKSLASH) at++;
    } else if (character === COMMA) values++;
    else if (OPENS.has(character)) {
      values++;
      deepest = Math.max(deepest, ++depth);
    } else if (CLOSES.has(character)) depth--;
  }
  return { values, depth: deepest };
}
