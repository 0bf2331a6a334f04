import { ident, string as cssString, tokenTypes, tokenize, url as cssUrl } from 'css-tree';
import { SaxesParser, type SaxesTagNS } from 'saxes';

const SVG = 'http://www.w3.org/2000/svg';
const XHTML = 'http://www.w3.org/1999/xhtml';

/**
 * Elements of a still drawing (SVG 2, Element Index): nothing in them runs, moves or leads elsewhere. Names in any other namespace
 * but HTML's mean nothing to a browser, so what drawing programs leave for themselves may stay.
 */
const ELEMENTS: ReadonlySet<string> = new Set([
  ...['svg', 'g', 'defs', 'symbol', 'use', 'switch', 'view', 'title', 'desc', 'metadata', 'style', 'image'],
  ...['path', 'rect', 'circle', 'ellipse', 'line', 'polyline', 'polygon', 'text', 'tspan', 'textPath', 'tref'],
  ...['linearGradient', 'radialGradient', 'meshgradient', 'meshrow', 'meshpatch', 'stop', 'pattern', 'hatch', 'hatchpath', 'solidcolor'],
  ...['clipPath', 'mask', 'marker', 'filter', 'color-profile', 'font', 'font-face', 'font-face-src', 'font-face-name', 'glyph', 'missing-glyph'],
  ...['feBlend', 'feColorMatrix', 'feComponentTransfer', 'feComposite', 'feConvolveMatrix', 'feDiffuseLighting', 'feDisplacementMap'],
  ...['feDistantLight', 'feDropShadow', 'feFlood', 'feFuncA', 'feFuncB', 'feFuncG', 'feFuncR', 'feGaussianBlur', 'feImage', 'feMerge'],
  ...['feMergeNode', 'feMorphology', 'feOffset', 'fePointLight', 'feSpecularLighting', 'feSpotLight', 'feTile', 'feTurbulence'],
]);
/** Attributes whose value is an address. */
const ADDRESSES: ReadonlySet<string> = new Set(['href', 'src', 'srcset', 'data', 'action', 'formaction', 'base', 'ping', 'manifest', 'poster']);
/** Functions of CSS that name a file (CSS Images 4, CSS Values 5), and one that old browsers ran. */
const FETCHES: ReadonlySet<string> = new Set([
  ...['url', 'src', 'image', 'image-set', '-webkit-image-set', 'cross-fade', '-webkit-cross-fade', 'element', '-moz-element', 'paint', 'expression'],
]);
/** Pictures and fonts that stand in the drawing itself; drawings within it are not, since they would have to be looked at too. */
const OWN = /^\s*(?:#|data:(?:image\/(?:png|jpe?g|gif|webp|avif)|font\/[\w.+-]{1,40}|application\/(?:x-)?font-[\w.+-]{1,40})[;,])/i;
/** Encodings in which the letters of ASCII are themselves, so that what is read here is what a browser reads. */
const ENCODINGS: ReadonlySet<string> = new Set(['utf-8', 'us-ascii', 'ascii', 'iso-8859-1', 'iso-8859-15', 'windows-1252', 'latin1']);

/** Elements that a drawing may have, those drawn again by `use` counted each time; and how deep they may stand in one another. */
const [MOST_ELEMENTS, MOST_DEPTH] = [200_000, 200];

/** What is wrong with a drawing: `kind` says whether it is none at all, is broken, is too much, or could run or fetch. */
export interface SvgProblem {
  readonly kind: 'none' | 'broken' | 'too-much' | 'runs';
  /** What was found, to be put in a sentence. */
  readonly found: string;
}

/** An element with what it draws: those within it, and the one that it uses. */
interface Drawn {
  readonly within: Drawn[];
  readonly uses: string;
}

class Refused extends Error {
  constructor(readonly problem: SvgProblem) {
    super(problem.found);
  }
}
const refuse = (kind: SvgProblem['kind'], found: string): never => {
  throw new Refused({ kind, found });
};
const runs = (found: string): never => refuse('runs', found);

/** Looks through a drawing as a browser reads it: as XML. Undefined where nothing in it could run, fetch, or be too much. */
export function problemOfSvg(text: string): SvgProblem | undefined {
  try {
    new Drawing().read(text);
    return undefined;
  } catch (error) {
    if (error instanceof Refused) return error.problem;
    throw error;
  }
}

/** One drawing on its way through the parser. */
class Drawing {
  private readonly parser = new SaxesParser({ xmlns: true });
  private readonly open: { readonly tag: SaxesTagNS; readonly drawn: Drawn; text: string }[] = [];
  private readonly named = new Map<string, Drawn>();
  private root: Drawn | undefined;
  private count = 0;

  constructor() {
    const { parser } = this;
    parser.on('error', (error) => refuse(this.root ? 'broken' : 'none', error.message.replace(/^\d+:\d+: /, '').slice(0, 100)));
    parser.on('xmldecl', ({ encoding }) => {
      if (encoding !== undefined && !ENCODINGS.has(encoding.toLowerCase())) refuse('broken', `the encoding ${encoding.slice(0, 40)}`);
    });
    parser.on('doctype', (doctype) => {
      if (doctype.includes('[')) runs('a document type with entities');
    });
    parser.on('processinginstruction', ({ target }) => runs(`the instruction ${target.slice(0, 40)}`));
    parser.on('opentag', (tag) => this.opened(tag));
    parser.on('closetag', () => this.closed());
    parser.on('text', (text) => this.said(text));
    parser.on('cdata', (text) => this.said(text));
  }

  read(text: string): void {
    this.parser.write(text.replace(/^\uFEFF/, '').trimStart()).close();
    if (!this.root) return refuse('none', 'nothing');
    sizeOf(this.root, this.named, new Map(), 0);
  }

  private opened(tag: SaxesTagNS): void {
    if (!this.root && (tag.local !== 'svg' || (tag.uri !== SVG && tag.uri !== ''))) refuse('none', tag.name);
    if (!this.root && tag.uri === '') refuse('broken', `no xmlns="${SVG}"`);
    if (++this.count > MOST_ELEMENTS) refuse('too-much', `more than ${MOST_ELEMENTS.toLocaleString('en')} elements`);
    if (this.open.length >= MOST_DEPTH) refuse('too-much', `elements more than ${MOST_DEPTH} deep in one another`);
    if (tag.uri === XHTML || (tag.uri === SVG && !ELEMENTS.has(tag.local))) runs(`a ${tag.name.slice(0, 40)} element`);
    let uses = '';
    const drawn = { within: [], uses: '' };
    for (const { local, name, value } of Object.values(tag.attributes)) {
      const lower = local.toLowerCase();
      if (lower.startsWith('on')) runs(`the attribute ${name.slice(0, 40)}`);
      if (ADDRESSES.has(lower) && !OWN.test(value)) runs(`a link to ${value.slice(0, 60)}`);
      if (lower === 'href' && tag.uri === SVG && tag.local === 'use') uses = value.trim().slice(1);
      const fetched = fetchedBy(value);
      if (fetched !== undefined) runs(`the address ${fetched.slice(0, 60)}`);
    }
    const made: Drawn = { ...drawn, uses };
    const id = tag.attributes['id']?.value;
    if (id !== undefined && !this.named.has(id)) this.named.set(id, made);
    this.open.at(-1)?.drawn.within.push(made);
    this.root ??= made;
    this.open.push({ tag, drawn: made, text: '' });
  }

  private said(text: string): void {
    const at = this.open.at(-1);
    if (at?.tag.local === 'style') at.text += text;
  }

  private closed(): void {
    const at = this.open.pop();
    if (at?.tag.local === 'style' && fetchedBy(at.text) !== undefined) runs('a style that fetches something');
  }
}

/** How many elements are drawn by one, those that it uses again counted each time. */
function sizeOf(drawn: Drawn, named: ReadonlyMap<string, Drawn>, known: Map<Drawn, number>, depth: number): number {
  const before = known.get(drawn);
  if (before === -1) return refuse('too-much', 'an element that uses itself');
  if (before !== undefined) return before;
  if (depth > MOST_DEPTH * 2) return refuse('too-much', 'elements that use one another too many times over');
  known.set(drawn, -1);
  const used = drawn.uses === '' ? undefined : named.get(drawn.uses);
  let size = 1 + (used ? sizeOf(used, named, known, depth + 1) : 0);
  for (const each of drawn.within) size += sizeOf(each, named, known, depth + 1);
  if (size > MOST_ELEMENTS)
    return refuse('too-much', `more than ${MOST_ELEMENTS.toLocaleString('en')} elements, those that are used again counted each time`);
  known.set(drawn, size);
  return size;
}

/** What a value or a stylesheet would fetch, as its tokens are read (CSS Syntax 3, section 4): no escape hides a name. Undefined for nothing. */
function fetchedBy(text: string): string | undefined {
  // Nothing is named without one of these.
  if (!/[(@\\]/.test(text)) return undefined;
  let found: string | undefined;
  let inFunction = '';
  tokenize(text, (type, start, end) => {
    if (found !== undefined) return;
    const token = text.slice(start, end);
    if (type === tokenTypes.AtKeyword && ident.decode(token.slice(1)).toLowerCase() === 'import') found = '@import';
    else if (type === tokenTypes.BadUrl) found = token;
    else if (type === tokenTypes.Url && !OWN.test(cssUrl.decode(token))) found = cssUrl.decode(token);
    else if (type === tokenTypes.Function) {
      const name = ident.decode(token.slice(0, -1)).toLowerCase();
      inFunction = name;
      // An address behind an escaped name is not taken apart as one.
      if (FETCHES.has(name) && (name !== 'url' || token.includes('\\'))) found = `${name}(…)`;
    } else if (type === tokenTypes.String && inFunction === 'url' && !OWN.test(cssString.decode(token))) found = cssString.decode(token);
    else if (type !== tokenTypes.WhiteSpace && type !== tokenTypes.Comment) inFunction = '';
  });
  return found;
}
