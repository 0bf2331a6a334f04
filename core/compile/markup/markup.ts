/** Markup as a tree. Writing it is the only place where text is escaped, so nothing a person typed can become an element. */
export type MarkupNode = string | Element;
export interface Element {
  readonly tag: string;
  readonly attributes: Readonly<Record<string, string | number | undefined>>;
  readonly children: readonly MarkupNode[];
}

export const element = (tag: string, attributes: Element['attributes'] = {}, ...children: readonly MarkupNode[]): Element => ({
  tag,
  attributes,
  children,
});

/** A text whose line breaks are kept as `br` elements. */
export const textWithBreaks = (text: string): readonly MarkupNode[] =>
  text.split(/\r?\n/).flatMap((line, i) => (i === 0 ? [line] : [element('br'), line]));

const voids = new Set(['br', 'col', 'link', 'meta', 'hr', 'img', 'input']);
const blocks = new Set([
  'html',
  'head',
  'body',
  'main',
  'header',
  'nav',
  'ul',
  'section',
  'div',
  'table',
  'thead',
  'tbody',
  'tfoot',
  'tr',
  'colgroup',
]);

export const escapeText = (text: string): string => text.replace(/&/g, '&amp;').replace(/</g, '&lt;').replace(/>/g, '&gt;');
const escapeAttribute = (text: string): string => escapeText(text).replace(/"/g, '&quot;');

/** The tree as HTML. Readable markup breaks lines between blocks, where white space means nothing. */
export function writeHtml(node: MarkupNode, style: 'readable' | 'compact' = 'readable', indent = ''): string {
  if (typeof node === 'string') return escapeText(node);
  const attributes = Object.entries(node.attributes)
    .filter(([, value]) => value !== undefined)
    .map(([name, value]) => (value === '' ? ` ${name}` : ` ${name}="${escapeAttribute(String(value))}"`))
    .join('');
  if (voids.has(node.tag)) return `<${node.tag}${attributes}>`;
  const open = `<${node.tag}${attributes}>`;
  if (style === 'compact' || !blocks.has(node.tag) || node.tag === 'tr' || node.children.length === 0) {
    return `${open}${node.children.map((child) => writeHtml(child, 'compact')).join('')}</${node.tag}>`;
  }
  const inner = node.children.map((child) => `${indent}  ${writeHtml(child, style, `${indent}  `)}\n`).join('');
  return `${open}\n${inner}${indent}</${node.tag}>`;
}
