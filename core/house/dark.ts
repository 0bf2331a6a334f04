import { generate, parse, walk, type CssNode } from 'css-tree';
import { unreadable } from './house';

/** How a site's own stylesheet goes dark: where the visitor has it so, for tables that can follow; undefined for one that does not. */
export type HouseDark = 'prefers-color-scheme' | 'color-scheme';

/**
 * Whether a stylesheet has a dark of its own: rules below `prefers-color-scheme` (Media Queries 5, section 12.5), or a `color-scheme` with
 * dark in it (CSS Color Adjustment 1, section 2.2).
 */
export function darkOfHouse(css: string): HouseDark | undefined {
  if (!/color-scheme/i.test(css) || unreadable(css) !== undefined) return undefined;
  let found: HouseDark | undefined;
  walk(parse(css, { onParseError: () => undefined }), {
    enter: (node: CssNode) => {
      if (node.type === 'Atrule' && node.name.toLowerCase() === 'media' && node.prelude && node.block) {
        const query = generate(node.prelude).toLowerCase();
        if (query.includes('prefers-color-scheme') && query.includes('dark')) found = 'prefers-color-scheme';
      }
      if (node.type === 'Declaration' && node.property.toLowerCase() === 'color-scheme' && /\bdark\b/.test(generate(node.value).toLowerCase()))
        found ??= 'color-scheme';
    },
  });
  return found;
}
