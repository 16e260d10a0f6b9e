import { LinkifyIt } from 'linkify-it';

/** A piece of what was written; with `href` it is a web address, as it was typed. */
export type WrittenPart = { text: string; href: string | null };

/** A paragraph with its lines, or a list with its items. */
type WrittenBlock =
  { kind: 'paragraph'; lines: WrittenPart[][] } | { kind: 'list'; isNumbered: boolean; items: WrittenPart[][] };

const links = new LinkifyIt({ fuzzyLink: true });
/** Only what is meant to lead to a page: a mail address, another scheme, or words with a dot between stay words. */
const LEADS = /^(https?:|www\.)/i;

/** A line in its pieces, web addresses apart. */
export function withLinks(line: string): WrittenPart[] {
  const parts: WrittenPart[] = [];
  let at = 0;
  for (const { index, lastIndex, raw, url } of links.match(line) ?? []) {
    if (!LEADS.test(raw)) continue;
    if (index > at) parts.push({ text: line.slice(at, index), href: null });
    parts.push({ text: line.slice(index, lastIndex), href: url });
    at = lastIndex;
  }
  if (at < line.length) parts.push({ text: line.slice(at), href: null });
  return parts;
}

const ITEM = /^\s*(?:([-*•–])|(\d{1,3})[.)])\s+(.*)$/u;

/**
 * Plain text as it is read: blank lines part paragraphs; lines that begin with a dash, a star or a dot are a list, those
 * with a number and a dot a numbered one.
 */
export function writtenBlocks(text: string): WrittenBlock[] {
  const blocks: WrittenBlock[] = [];
  let isOpen = false;
  for (const line of text.split('\n')) {
    if (line.trim() === '') {
      isOpen = false;
      continue;
    }
    const item = ITEM.exec(line);
    const last = isOpen ? blocks.at(-1) : undefined;
    if (item === null) {
      if (last?.kind === 'paragraph') last.lines.push(withLinks(line));
      else blocks.push({ kind: 'paragraph', lines: [withLinks(line)] });
    } else {
      const isNumbered = item[2] !== undefined;
      const written = withLinks(item[3]!);
      if (last?.kind === 'list' && last.isNumbered === isNumbered) last.items.push(written);
      else blocks.push({ kind: 'list', isNumbered, items: [written] });
    }
    isOpen = true;
  }
  return blocks;
}
