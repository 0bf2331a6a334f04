import { generate, ident, walk, type Atrule, type CssNode, type Declaration, type Rule } from 'css-tree';

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
      const hidden = found === undefined && hides(node) && this.rule && !isPrint(this.atrule) ? skeletonIn(this.rule) : undefined;
      if (found !== undefined)
        note(lineOf(node), `${node.property} is left out: it would fetch ${shown(found)}. Nothing is fetched for a house stylesheet.`);
      else if (hidden !== undefined) note(lineOf(node), `${node.property} is left out: by ${shown(hidden)} nothing of any page would be seen.`);
      else return;
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

/** Whether a declaration makes what it reaches, and all that stands in it, unseen. */
function hides({ property, value }: Declaration): boolean {
  const said = generate(value).toLowerCase().trim();
  switch (property.toLowerCase()) {
    case 'display':
      return said === 'none';
    case 'visibility':
      return said === 'hidden' || said === 'collapse';
    case 'content-visibility':
      return said === 'hidden';
    case 'opacity':
      return Number.parseFloat(said) === 0;
    default:
      return false;
  }
}

/** On paper a page may be another. */
const isPrint = (rule: Atrule | null): boolean => rule?.prelude != null && /\bprint\b/i.test(generate(rule.prelude));

/** What every page of the site stands in: one of these hidden, all of it is. */
const SKELETON: readonly (readonly string[])[] = [['*'], ['html', ':root'], ['body'], ['main', '#content'], ['div', '.entry']];

/** The selector of a rule's list, if there is one, that reaches an element of the skeleton in whatever state. */
function skeletonIn({ prelude }: Rule): string | undefined {
  if (prelude.type !== 'SelectorList') return undefined;
  for (const selector of prelude.children.toArray()) {
    if (selector.type !== 'Selector') continue;
    const parts = selector.children.toArray().map((part) => (part.type === 'Combinator' ? undefined : generate(part).toLowerCase()));
    const isOne = SKELETON.some((names) => parts.every((part) => part !== undefined && (part === '*' || names.includes(part))));
    if (isOne) return generate(selector);
  }
  return undefined;
}
