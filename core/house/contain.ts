import { generate, ident, walk, type Atrule, type CssNode, type Declaration } from 'css-tree';

/** Tells what is left out, with its line. */
export type Note = (line: number, say: string) => void;

/** At-rules that decide where rules hold, or that name something within the sheet; none of them fetches. */
const KEPT = new Set([
  'media',
  'supports',
  'container',
  'layer',
  'scope',
  'starting-style',
  'keyframes',
  '-webkit-keyframes',
  'counter-style',
  'property',
  'page',
]);
/** Pictures that stand in the sheet itself; as pictures they run nothing (SVG Integration, "secure animated mode"). */
const OWN_PICTURE = /^data:image\/(?:png|jpeg|gif|webp|avif|svg\+xml)[;,]/i;
/** Functions that name a file, some without `url()`. */
const FETCHES = new Set(['image-set', '-webkit-image-set', 'image', 'src', 'element', 'expression']);

/** Takes out of a parsed stylesheet whatever fetches from elsewhere or is no rule for a page, and notes each. */
export function contain(sheet: CssNode, note: Note): void {
  walk(sheet, {
    visit: 'Atrule',
    enter(node, item, list) {
      const say = refusalOf(node);
      if (say === undefined) return;
      if (say !== '') note(lineOf(node), say);
      list.remove(item);
    },
  });
  walk(sheet, {
    visit: 'Declaration',
    enter(node, item, list) {
      const found = fetched(node);
      if (found === undefined) return;
      note(lineOf(node), `${node.property} is left out: it would fetch ${shown(found)}. Nothing is fetched for a house stylesheet.`);
      list.remove(item);
    },
  });
  walk(sheet, {
    visit: 'Raw',
    enter(node, item, list) {
      // What stands in a value has been looked at with its declaration.
      if (this.declaration || !mayFetch(node.value)) return;
      note(lineOf(node), `${shown(node.value.trim())} is left out: it would fetch something. Nothing is fetched for a house stylesheet.`);
      list.remove(item);
    },
  });
}

const lineOf = (node: CssNode): number => node.loc?.start.line ?? 1;
/** A text that is not taken apart: does a function in it fetch? Escapes may hide one. */
const mayFetch = (text: string): boolean => /(?:url|image-set|src|image|element|expression)\s*\(|@import/i.test(ident.decode(text));
const shown = (text: string): string => `“${text.slice(0, 60)}${text.length > 60 ? '…' : ''}”`;

/** Why an at-rule is left out: undefined where it stays, empty where that need not be told. */
function refusalOf(node: Atrule): string | undefined {
  const name = node.name.toLowerCase();
  if (KEPT.has(name)) return undefined;
  if (name === 'charset') return '';
  if (name === 'import')
    return `@import is left out: ${shown(node.prelude ? generate(node.prelude) : '')} is not fetched. Bring in what it holds instead.`;
  if (name === 'font-face') return '@font-face is left out: its font file is not fetched. Text is seen in the next font of its list.';
  return `@${node.name} is left out: it is no rule that pages need here.`;
}

/** What a declaration would fetch, or undefined. */
function fetched(declaration: Declaration): string | undefined {
  if (/^(?:behavior|-moz-binding)$/i.test(declaration.property)) return generate(declaration.value);
  let found: string | undefined;
  walk(declaration.value, (node) => {
    if (node.type === 'Url' && !OWN_PICTURE.test(node.value) && !node.value.startsWith('#')) found ??= node.value;
    else if (node.type === 'Function' && FETCHES.has(node.name.toLowerCase())) found ??= generate(node);
    // Values that are not looked into, as those of custom properties.
    else if (node.type === 'Raw' && mayFetch(node.value)) found ??= node.value.trim();
  });
  return found;
}
