import { download } from '../platform/download.ts';
import { FAMILIES } from '../theme/type.ts';
import { fontFaces } from './fontFaces.ts';

const SVG = 'http://www.w3.org/2000/svg';
const PAD_PX = 24;
const HEAD_PX = 66;
const GAP_PX = 14;

/** Title and colours of a saved picture. */
type PictureHead = {
  title: string;
  span: string;
  /** What its lines and marks mean, a sentence or a name each. */
  legend?: readonly string[];
  paper: string;
  ink: string;
  quiet: string;
};

type Picture = { text: string; widthPx: number; heightPx: number };

const sizeOf = (svg: Element): { widthPx: number; heightPx: number } => ({
  widthPx: Number(svg.getAttribute('width')) || 0,
  heightPx: Number(svg.getAttribute('height')) || 0,
});

/** Drawings narrower than this are signs in the text, not pictures. */
const LEAST_PX = 120;

type Sheet = {
  root: SVGElement;
  add: (name: string, attributes: Record<string, string | number>, text?: string) => void;
};

/** A sheet of paper of some size, with title and span at its head. */
function sheetOf(head: PictureHead, widthPx: number, heightPx: number): Sheet {
  const root = document.createElementNS(SVG, 'svg');
  const add: Sheet['add'] = (name, attributes, text = '') => {
    const node = document.createElementNS(SVG, name);
    for (const [key, value] of Object.entries(attributes)) node.setAttribute(key, String(value));
    node.textContent = text;
    root.append(node);
  };
  for (const [key, value] of Object.entries({
    width: widthPx,
    height: heightPx,
    viewBox: `0 0 ${widthPx} ${heightPx}`,
  }))
    root.setAttribute(key, String(value));
  add('rect', { width: widthPx, height: heightPx, fill: head.paper });
  add('text', { x: PAD_PX, y: 32, 'font-size': 18, 'font-family': FAMILIES.head, fill: head.ink }, head.title);
  add('text', { x: PAD_PX, y: 52, 'font-size': 13, fill: head.quiet }, head.span);
  return { root, add };
}

function pictureFrom(root: SVGElement, widthPx: number, heightPx: number): Picture {
  // Where the app's own type is not there, any plain one does.
  for (const text of root.querySelectorAll('text')) {
    text.setAttribute('font-family', `${text.getAttribute('font-family') ?? FAMILIES.regular}, Figtree, sans-serif`);
  }
  return { text: new XMLSerializer().serializeToString(root), widthPx, heightPx };
}

const LEGEND_PX = 18;
/** A legend is not squeezed below a narrow drawing. */
const LEAST_LEGEND_PX = 340;
/** About what a letter of the legend takes. */
const LETTER_PX = 6.4;

/** Words in as many lines as a width needs, none broken but one that is longer than a line. */
function linesOf(text: string, widthPx: number): string[] {
  const most = Math.max(10, Math.floor(widthPx / LETTER_PX));
  const lines: string[] = [];
  for (const word of text.split(' ')) {
    const last = lines.at(-1);
    if (last === undefined || last.length + 1 + word.length > most) lines.push(word);
    else lines[lines.length - 1] = `${last} ${word}`;
  }
  return lines;
}

/** The drawings of an element, its legend included, as one SVG file with its title and span above. Null where there is none. */
export function pictureOf(element: Element, head: PictureHead): Picture | null {
  const drawings = [...element.querySelectorAll('svg')].filter((svg) => sizeOf(svg).widthPx >= LEAST_PX);
  if (drawings.length === 0) return null;
  const sizes = drawings.map(sizeOf);
  const leastPx = head.legend?.length ? LEAST_LEGEND_PX : 0;
  const widthPx = Math.max(leastPx, ...sizes.map((size) => size.widthPx)) + 2 * PAD_PX;
  const drawnPx = HEAD_PX + sizes.reduce((sum, size) => sum + size.heightPx + GAP_PX, 0);
  const legend = (head.legend ?? []).flatMap((each) => linesOf(each, widthPx - 2 * PAD_PX));
  const heightPx = drawnPx + legend.length * LEGEND_PX + PAD_PX;
  const { root, add } = sheetOf(head, widthPx, heightPx);
  let y = HEAD_PX;
  drawings.forEach((svg, index) => {
    const copy = svg.cloneNode(true) as SVGElement;
    copy.setAttribute('x', String((widthPx - sizes[index]!.widthPx) / 2));
    copy.setAttribute('y', String(y));
    copy.removeAttribute('style');
    root.append(copy);
    y += sizes[index]!.heightPx + GAP_PX;
  });
  legend.forEach((text, index) => {
    add('text', { x: PAD_PX, y: drawnPx + (index + 0.7) * LEGEND_PX, 'font-size': 12, fill: head.quiet }, text);
  });
  return pictureFrom(root, widthPx, heightPx);
}

/** A line of a list with a bar below: its name, its figures, and how far the bar goes (ratio; more than 1 is full). */
export type PictureRow = { name: string; text: string; ratio: number; color: string };

const ROWS_PX = 480;
const ROW_PX = 40;

/** A list of bars as one SVG file, in the order given; long names are cut. */
export function pictureOfRows(rows: readonly PictureRow[], head: PictureHead & { track: string }): Picture {
  const widthPx = ROWS_PX + 2 * PAD_PX;
  const heightPx = HEAD_PX + rows.length * ROW_PX + PAD_PX;
  const { root, add } = sheetOf(head, widthPx, heightPx);
  rows.forEach(({ name, text, ratio, color }, index) => {
    const y = HEAD_PX + index * ROW_PX;
    const own = name.length > MOST_LETTERS ? `${name.slice(0, MOST_LETTERS - 1)}…` : name;
    add('text', { x: PAD_PX, y: y + 15, 'font-size': 14, fill: head.ink }, own);
    add('text', { x: widthPx - PAD_PX, y: y + 15, 'font-size': 13, fill: head.quiet, 'text-anchor': 'end' }, text);
    add('rect', { x: PAD_PX, y: y + 22, width: ROWS_PX, height: 5, rx: 2.5, fill: head.track });
    const filled = Math.min(1, Math.max(0, ratio)) * ROWS_PX;
    add('rect', { x: PAD_PX, y: y + 22, width: filled, height: 5, rx: 2.5, fill: color });
  });
  return pictureFrom(root, widthPx, heightPx);
}

const MOST_LETTERS = 44;

export const downloadSvg = (name: string, { text }: Picture): void =>
  download(name, new Blob([text], { type: 'image/svg+xml' }));

const PNG_SCALE = 2;

/** The picture as PNG, at twice its size, in the app's own type; rejects where the device cannot draw it. */
export async function downloadPng(name: string, { text, widthPx, heightPx }: Picture): Promise<void> {
  const image = new Image();
  // An image has nothing of the page it is on: its type has to come with it.
  const faces = await fontFaces(Object.values(FAMILIES).filter((family) => text.includes(family)));
  const whole = text.replace('>', `><style>${faces}</style>`);
  image.src = `data:image/svg+xml;charset=utf-8,${encodeURIComponent(whole)}`;
  await image.decode();
  const canvas = document.createElement('canvas');
  [canvas.width, canvas.height] = [widthPx * PNG_SCALE, heightPx * PNG_SCALE];
  canvas.getContext('2d')!.drawImage(image, 0, 0, canvas.width, canvas.height);
  const content = await new Promise<Blob | null>((resolve) => canvas.toBlob(resolve, 'image/png'));
  if (content === null) throw new Error('the picture could not be drawn');
  download(name, content);
}
