import type { DefaultTreeAdapterTypes } from 'parse5';
import { contract } from '../../compile';
import { isLanguage } from '../../data-types';
import { icons } from '../../media';
import { LIMITS, cellOf, isPictureAddress, isSafeAddress, type Cell, type Mark, type MarkKind } from '../../table';

export type Node = DefaultTreeAdapterTypes.ChildNode | DefaultTreeAdapterTypes.Document;
export type Element = DefaultTreeAdapterTypes.Element;

export const isElement = (node: Node): node is Element => 'tagName' in node;
export const childrenOf = (node: Node): readonly Node[] => ('childNodes' in node ? node.childNodes : []);
export const attribute = (node: Element, name: string): string | undefined => node.attrs.find((each) => each.name === name)?.value;

const unread = new Set(['style', 'script', 'template', 'noscript', 'head', 'title', 'iframe', 'noembed', 'noframes', 'object']);
const blocks = new Set(['p', 'div', 'li', 'tr', 'table', 'ul', 'ol', 'h1', 'h2', 'h3', 'h4', 'h5', 'h6', 'blockquote', 'pre']);
const marked: Readonly<Record<string, MarkKind>> = {
  b: 'bold',
  strong: 'bold',
  i: 'italic',
  em: 'italic',
  cite: 'italic',
  u: 'underline',
  ins: 'underline',
  s: 'strike',
  del: 'strike',
  strike: 'strike',
  small: 'small',
  sub: 'sub',
  sup: 'super',
  mark: 'highlight',
  code: 'code',
  kbd: 'code',
};

interface Reading {
  text: string;
  /** How many elements are open in which white space stands as it was written. */
  pre: number;
  /** White space or a line break that is only written when something follows. */
  pending: '' | ' ' | '\n';
  readonly open: { from: number; readonly kind: MarkKind; readonly href?: string }[];
  readonly marks: Mark[];
  dropped: number;
}

/**
 * What a person reads in an element: white space folded, line breaks kept, no style or script; with marks for what is
 * bold, a link and so on. `dropped` counts links whose address would run code: their text stays.
 */
export function richOf(node: Node, language = ''): { readonly cell: Cell; readonly dropped: number } {
  const reading: Reading = { text: '', pre: 0, pending: '', open: [], marks: [], dropped: 0 };
  for (const child of childrenOf(node)) read(child, reading);
  // No-break spaces are how pages write a cell with nothing in it; at the end nobody sees them.
  const text = reading.text.trim() === '' && reading.marks.length === 0 ? '' : reading.text.replace(/\u00a0{1,1000}$/, '');
  const whole: readonly Mark[] = language === '' ? [] : [{ from: 0, to: text.length, kind: 'language', href: language }];
  return { cell: cellOf(text, [...whole, ...reading.marks.slice(0, LIMITS.marks - 1)]), dropped: reading.dropped };
}

/** Whether an element is not shown: by its attribute, or by what its own style says. */
export const isHidden = (node: Element): boolean =>
  attribute(node, 'hidden') !== undefined ||
  /(?:^|;)\s{0,9}(?:display\s{0,9}:\s{0,9}none|visibility\s{0,9}:\s{0,9}collapse)/i.test(attribute(node, 'style') ?? '');

/** What our own published cells have beside their text: nothing of it is theirs. */
const asides: ReadonlySet<string> = new Set([contract.label, contract.again, contract.open, contract.left]);
const isAside = (node: Element): boolean => asides.has(attribute(node, 'class') ?? '');

/**
 * The language that an element says of what is in it (HTML Standard, section 3.2.6.2). One that says a direction alone is in a
 * language that nobody named, of the script that its letters are of (BCP 47, `und`).
 */
export function languageBy(node: Element): string | undefined {
  if (!spoken.has(node)) spoken.set(node, readLanguage(node));
  return spoken.get(node);
}
const spoken = new WeakMap<Element, string | undefined>();

function readLanguage(node: Element): string | undefined {
  const lang = (attribute(node, 'lang') ?? attribute(node, 'xml:lang') ?? '').trim();
  if (lang !== '' && isLanguage(lang)) return lang;
  if (attribute(node, 'dir')?.toLowerCase() !== 'rtl') return undefined;
  const letters = lettersIn(node);
  return /\p{Script=Arabic}/u.test(letters) ? 'und-Arab' : /\p{Script=Hebrew}/u.test(letters) ? 'und-Hebr' : undefined;
}

/** The first letters in an element, as they stand there: of so many nodes at most. */
function lettersIn(node: Node, most = 500): string {
  let text = '';
  const left: Node[] = [node];
  for (let next = left.pop(), looked = 0; next && looked < most; next = left.pop(), looked++) {
    if (next.nodeName === '#text' && 'value' in next) text += next.value.slice(0, most);
    else for (const child of childrenOf(next).slice(0, most).reverse()) left.push(child);
  }
  return text;
}

function read(node: Node, reading: Reading): void {
  if (node.nodeName === '#text' && 'value' in node) return write(node.value, reading);
  if (!isElement(node) || unread.has(node.tagName) || isAside(node) || isHidden(node)) return;
  if (node.tagName === 'br') return pend('\n', reading, true);
  if (node.tagName === 'img' || node.tagName === 'svg') return readPicture(node, reading);
  const isBlock = blocks.has(node.tagName);
  if (isBlock) pend('\n', reading);
  if (node.tagName === 'pre') reading.pre++;
  const opened = marksFrom(node, reading);
  reading.open.push(...opened);
  for (const child of childrenOf(node)) read(child, reading);
  for (let i = 0; i < opened.length; i++) {
    const mark = reading.open.pop();
    if (mark && mark.from >= 0) reading.marks.push({ ...mark, to: reading.text.length });
  }
  if (node.tagName === 'pre') reading.pre--;
  if (isBlock) pend('\n', reading);
}

/**
 * A picture that lies on this server and an icon of the shelf come in as they are, as the tool itself puts them on the clipboard; of
 * any other picture, which nobody would fetch, its words (HTML Standard, section 4.8.4.4).
 */
function readPicture(node: Element, reading: Reading): void {
  const title = childrenOf(node).find((child): child is Element => isElement(child) && child.tagName === 'title');
  const words = (attribute(node, node.tagName === 'img' ? 'alt' : 'aria-label') ?? (title ? lettersIn(title) : '')).trim();
  const mark = node.tagName === 'img' ? pictureIn(node) : iconIn(node);
  if (words !== '') write(words, reading);
  // Without words it has a place for itself all the same: a mark stands on a letter.
  else if (mark) put(' ', reading);
  if (!mark) return;
  const length = words === '' ? 1 : words.length;
  reading.marks.push({ ...mark, from: Math.max(0, reading.text.length - length), to: reading.text.length });
}

function pictureIn(node: Element): Pick<Mark, 'kind' | 'href'> | undefined {
  const href = (attribute(node, 'src') ?? '').trim().replace(/^http:\/\/(?:localhost|127\.0\.0\.1)(?::\d{1,5})?(?=\/pictures\/)/i, '');
  return href.length <= LIMITS.address && href.startsWith('/pictures/') && isPictureAddress(href) ? { kind: 'picture', href } : undefined;
}

/** An icon says which it is by its shape alone. */
function iconIn(node: Element): Pick<Mark, 'kind' | 'href'> | undefined {
  const shape = childrenOf(node).filter(isElement);
  const name = icons.find(({ path }) => shape.length === 1 && shape[0] !== undefined && attribute(shape[0], 'd') === path)?.name;
  return name === undefined ? undefined : { kind: 'icon', href: name };
}

function pend(what: ' ' | '\n', reading: Reading, again = false): void {
  if (reading.text === '' && reading.pending === '') return;
  if (again && reading.pending === '\n' && reading.text !== '') reading.text += '\n';
  if (what === '\n' || reading.pending === '') reading.pending = what;
}

function write(raw: string, reading: Reading): void {
  if (reading.pre > 0) return writeAsItIs(raw, reading);
  for (const piece of raw.split(/([ \t\r\n\f]+)/)) {
    if (piece === '') continue;
    if (/^[ \t\r\n\f]/.test(piece)) {
      pend(' ', reading);
      continue;
    }
    put(piece, reading);
  }
}

/** A text in which white space counts; the line break at its end is none that is seen. */
function writeAsItIs(raw: string, reading: Reading): void {
  const lines = raw.replace(/\r\n?/g, '\n').split('\n');
  lines.forEach((line, i) => {
    if (i > 0) pend('\n', reading, true);
    if (line !== '') put(line, reading);
  });
}

/** Puts a piece of text where reading is, behind what waits, and within the marks that are open. */
function put(piece: string, reading: Reading): void {
  if (reading.text !== '') reading.text += reading.pending;
  reading.pending = '';
  for (const mark of reading.open) if (mark.from < 0) mark.from = reading.text.length;
  reading.text += piece;
}

/** The marks that an element stands for: by its name, as a link, or by what its own style says, as programs write them. */
function marksFrom(node: Element, reading: Reading): Reading['open'] {
  const kinds = new Set<MarkKind>();
  const named = marked[node.tagName];
  const style = attribute(node, 'style') ?? '';
  // Some wrap everything in a bold element that is made light again.
  const weight = /font-weight\s*:\s*(bold|bolder|normal|lighter|\d+)/i.exec(style)?.[1];
  const isBold = weight === undefined ? undefined : /bold/i.test(weight) || Number(weight) >= 600;
  if (named && !(named === 'bold' && isBold === false)) kinds.add(named);
  if (node.tagName === 'span' || node.tagName === 'font') {
    if (isBold) kinds.add('bold');
    if (/font-style\s*:\s*(italic|oblique)/i.test(style)) kinds.add('italic');
    if (/text-decoration(-line)?\s*:[^;]*underline/i.test(style)) kinds.add('underline');
    if (/text-decoration(-line)?\s*:[^;]*line-through/i.test(style)) kinds.add('strike');
    if (/vertical-align\s*:\s*super/i.test(style)) kinds.add('super');
    if (/vertical-align\s*:\s*sub/i.test(style)) kinds.add('sub');
  }
  const opened: Reading['open'] = [...kinds].filter((kind) => reading.open.every((each) => each.kind !== kind)).map((kind) => ({ from: -1, kind }));
  const language = languageBy(node);
  if (language !== undefined && reading.open.every(({ kind }) => kind !== 'language')) opened.push({ from: -1, kind: 'language', href: language });
  const href = node.tagName === 'a' ? attribute(node, 'href')?.trim() : undefined;
  if (href !== undefined && href !== '' && reading.open.every(({ kind }) => kind !== 'link')) {
    if (isSafeAddress(href) && href.length <= LIMITS.address) opened.push({ from: -1, kind: 'link', href });
    else reading.dropped++;
  }
  return opened;
}
