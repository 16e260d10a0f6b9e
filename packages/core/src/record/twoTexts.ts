/** The line above what stands beside a text, as anybody can read it who has the text alone. */
const HEAD = '— Written on another device at the same time —';

/** A long text as it shows, and what was written on other devices at the same time and is not yet put together with it. */
export type TextAndOthers = { text: string; others: string[] };

const HEADS = new RegExp(`(?:^|\\n\\n)${HEAD}\\n`);

/** Parts a long text from what stands beside it; a text with nothing beside it is itself. */
export function partText(whole: string): TextAndOthers {
  if (!whole.includes(HEAD)) return { text: whole, others: [] };
  const [text = '', ...others] = whole.split(HEADS);
  return { text, others: others.map((each) => each.trim()).filter((each) => each !== '') };
}

/** A long text without what stands beside it, for where there is room for one line only. */
export const shownText = (whole: string): string => partText(whole).text;

/** The one text that {@link partText} parts so. */
export const wholeText = ({ text, others }: TextAndOthers): string =>
  [...(text === '' ? [] : [text]), ...others.map((each) => `${HEAD}\n${each}`)].join('\n\n');

/** One of the others put below the text, or left out (`isKept` false): it no longer stands beside it. */
export function settleOther({ text, others }: TextAndOthers, at: number, isKept: boolean): TextAndOthers {
  const other = others[at] ?? '';
  const isNew = isKept && other !== '' && !text.includes(other);
  return {
    text: isNew ? [text.trimEnd(), other].filter(Boolean).join('\n\n') : text,
    others: others.filter((_, each) => each !== at),
  };
}

const linesOf = (text: string): string[] => text.split('\n').map((each) => each.trimEnd());

/** Texts of more lines are not gone through line by line: they stand beside each other whole. */
const MOST_LINES = 400;

/** Whether a text has more lines than are gone through one by one. */
export function isManyLines(text: string): boolean {
  let count = 1;
  for (let at = text.indexOf('\n'); at >= 0; at = text.indexOf('\n', at + 1)) if (++count > MOST_LINES) return true;
  return false;
}

/** Two texts of many lines: the later shows, the earlier stands beside it whole, unless it is what either began from. */
function besideWhole(first: TextAndOthers, one: TextAndOthers, other: TextAndOthers): string | undefined {
  const text = other.text.trim() === '' ? one.text : other.text;
  const known = new Set([text.trim(), first.text.trim(), '']);
  const others = [...new Set([...other.others, ...one.others, one.text.trim()])].filter((each) => !known.has(each));
  if (text.trim() === '' && others.length === 0) return undefined;
  return wholeText({ text: others.length === 0 ? text : text.trimEnd(), others });
}

/** How many substrings of one text are searched for at most, and how long they may be; the rest is compared by lines. */
const MOST_SEARCHES = 64;
const LONGEST_SEARCH = 500;

/** Whether a text says something already: as one of its lines, or anywhere in it. The cost of all asking is linear. */
function contentsOf(text: string): { holds: (part: string) => boolean } {
  const lines = new Set(text.split('\n').map((each) => each.trim()));
  let searches = 0;
  const holds = (part: string): boolean => {
    if (part === '' || lines.has(part)) return true;
    if (part.length <= LONGEST_SEARCH && searches < MOST_SEARCHES) {
      searches++;
      return text.includes(part);
    }
    const own = part.split('\n');
    return own.length > 1 && own.every((each) => lines.has(each.trim()));
  };
  return { holds };
}

/**
 * Two texts made of `was` as one: the later shows, and what only the earlier wrote stands beside it, line by line, until it is
 * put together or left out. What either began from, or the later says already, does not stand twice, so that texts don't grow
 * by meeting again and again; what one of the two settled stays so. Undefined where neither says anything. Texts of
 * very many lines stand beside each other whole, so that the cost is bounded.
 */
export function bothTexts(was: string, earlier: string, late: string): string | undefined {
  const [first, one, other] = [partText(was), partText(earlier), partText(late)];
  if ([was, earlier, late].some(isManyLines)) return besideWhole(first, one, other);
  const text = other.text.trim() === '' || contentsOf(one.text).holds(other.text.trim()) ? one.text : other.text;
  const shown = contentsOf(text);
  const begun = new Set(linesOf(first.text));
  const own = linesOf(one.text).filter((each) => !begun.has(each) && !shown.holds(each.trim()));
  const sides = [new Set(one.others), new Set(other.others)] as const;
  const before = new Set(first.others);
  const isSettled = (each: string): boolean => before.has(each) && !(sides[0].has(each) && sides[1].has(each));
  const beside = [...other.others, ...one.others].filter((each) => !isSettled(each));
  const said = new Set(linesOf(text));
  const others: string[] = [];
  for (const each of [...beside, own.join('\n')]) {
    const lines = linesOf(each);
    const left = lines.some((line) => line !== '' && said.has(line)) ? lines.filter((line) => !said.has(line)) : lines;
    const stays = left.join('\n').trim();
    if (stays !== '' && !shown.holds(stays)) others.push(stays);
    for (const line of lines) said.add(line);
  }
  if (text.trim() === '' && others.length === 0) return undefined;
  return wholeText({ text: others.length === 0 ? text : text.trimEnd(), others });
}
