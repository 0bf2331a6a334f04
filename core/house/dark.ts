import { generate, parse, walk, type CssNode } from 'css-tree';
import { readDarkMark, unreadable } from './house';

/** How a site's own stylesheet goes dark: where the visitor has it so, for tables that can follow; undefined for one that does not. */
export interface HouseDark {
  readonly by: 'prefers-color-scheme' | 'color-scheme' | 'mark';
  /** The class or attribute of its root or body, for one that is dark where that is. */
  readonly mark?: string;
}

/**
 * Whether a stylesheet has a dark of its own: rules below `prefers-color-scheme` (Media Queries 5, section 12.5), rules that begin with a
 * class or an attribute of root or body which speaks of dark, or a `color-scheme` with dark in it (CSS Color Adjustment 1, section 2.2).
 * A mark is stronger than the rest, since a site that has one decides by it.
 */
export function darkOfHouse(css: string): HouseDark | undefined {
  if (!/dark|night/i.test(css) || unreadable(css) !== undefined) return undefined;
  let found: HouseDark | undefined;
  walk(parse(css, { onParseError: () => undefined }), {
    enter: (node: CssNode) => {
      if (node.type === 'Atrule' && node.name.toLowerCase() === 'media' && node.prelude && node.block) {
        const query = generate(node.prelude).toLowerCase();
        if (query.includes('prefers-color-scheme') && query.includes('dark') && found?.by !== 'mark') found = { by: 'prefers-color-scheme' };
      }
      if (node.type === 'Rule' && node.prelude.type === 'SelectorList') {
        const isOfRoot = node.block.children.some((each) => each.type === 'Declaration' && /^(?:--|color-scheme$)/i.test(each.property));
        for (const selector of node.prelude.children) {
          const mark = selector.type === 'Selector' ? markIn(selector.children.toArray(), isOfRoot) : undefined;
          if (mark !== undefined && found?.by !== 'mark') found = { by: 'mark', mark };
        }
      }
      if (node.type === 'Declaration' && node.property.toLowerCase() === 'color-scheme' && /\bdark\b/.test(generate(node.value).toLowerCase()))
        found ??= { by: 'color-scheme' };
    },
  });
  return found;
}

const roots: ReadonlySet<string> = new Set(['html', 'body']);
const speaksOfDark = /(?:^|[-_])(?:dark|night)(?:$|[-_])/i;

/** The mark by which a selector holds on a dark site: a class or an attribute that speaks of dark, on what it begins with. */
function markIn(parts: readonly CssNode[], isOfRoot: boolean): string | undefined {
  const end = parts.findIndex(({ type }) => type === 'Combinator');
  const first = end < 0 ? parts : parts.slice(0, end);
  const isRoot = first.some(
    (part) => (part.type === 'TypeSelector' && roots.has(part.name.toLowerCase())) || (part.type === 'PseudoClassSelector' && part.name === 'root'),
  );
  // What begins a longer selector stands on the root as well, and so does what has custom properties for all; else it is a thing that is dark by itself.
  if (!isRoot && (first.length > 1 || (end < 0 && !isOfRoot))) return undefined;
  for (const part of first) {
    if (part.type === 'ClassSelector' && speaksOfDark.test(part.name)) return readMark(`.${part.name}`);
    if (part.type !== 'AttributeSelector' || !part.value) continue;
    const value = part.value.type === 'String' ? part.value.value : part.value.name;
    if (speaksOfDark.test(value)) return readMark(`[${part.name.name}="${value}"]`);
  }
  return undefined;
}

const readMark = (text: string): string | undefined => {
  const read = readDarkMark(text);
  return read.ok ? read.value : undefined;
};
