/** A step as a line of a list says it: its words, and how far in it stands, 0 at the edge. */
export type LineStep = { title: string; depth: number };

/** Signs that lists begin their lines with. */
const BULLET = /^(?:[-*•–▪◦]|\d+[.)]|\[[ x]?\])(?:\s+|$)/i;
const TAB = '    ';

/** Takes the signs off the beginning of a line of a list. */
export function bareLine(line: string): string {
  let text = line.trim();
  for (let bare = text.replace(BULLET, ''); bare !== text; bare = text.replace(BULLET, '')) text = bare;
  return text.trim();
}

/**
 * Reads a list, one step a line; a line that is indented more than the one before it stands under that one. Lines without
 * words are passed over. A line is never more than one level deeper than the one before.
 */
export function stepsOfText(text: string): LineStep[] {
  const steps: LineStep[] = [];
  // How far in the lines are that the next may stand under, from the edge on.
  const indents: number[] = [];
  for (const line of text.split(/\r?\n/)) {
    const title = bareLine(line);
    if (title === '') continue;
    const indent = /^\s*/.exec(line.replaceAll('\t', TAB))![0].length;
    while (indents.length > 0 && indents.at(-1)! >= indent) indents.pop();
    steps.push({ title, depth: indents.length });
    indents.push(indent);
  }
  return steps;
}
