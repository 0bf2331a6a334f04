/** A stylesheet as a tree. Selectors and values come from the catalogue and from values that were read, never from a person's text. */
export type CssNode =
  | { readonly kind: 'rule'; readonly selector: string; readonly declarations: readonly Declaration[] }
  | { readonly kind: 'media' | 'container' | 'supports' | 'keyframes'; readonly query: string; readonly rules: readonly CssNode[] };
export type Declaration = readonly [property: string, value: string];
export type Stylesheet = readonly CssNode[];

export const rule = (selector: string, ...declarations: readonly Declaration[]): CssNode => ({ kind: 'rule', selector, declarations });

/** Visits every rule in its order, with the queries that it stands within. */
export function walk(sheet: Stylesheet, visit: (selector: string, declarations: readonly Declaration[], within: string) => void, within = ''): void {
  for (const node of sheet) {
    if (node.kind === 'rule') visit(node.selector, node.declarations, within);
    else walk(node.rules, visit, `${within}@${node.kind} ${node.query}`);
  }
}

/** The sheet with other selectors. */
export const withSelectors = (sheet: Stylesheet, selectorOf: (selector: string) => string): Stylesheet =>
  sheet.map((node) =>
    node.kind === 'rule' ? { ...node, selector: selectorOf(node.selector) } : { ...node, rules: withSelectors(node.rules, selectorOf) },
  );

/** The sheet without rules that say nothing, and with what follows each other under one query in one block. */
export function tidied(sheet: Stylesheet): Stylesheet {
  const nodes: CssNode[] = [];
  for (const node of sheet) {
    const last = nodes.at(-1);
    if (node.kind === 'rule') {
      if (node.declarations.length > 0) nodes.push(node);
    } else if (last !== undefined && last.kind !== 'rule' && last.kind === node.kind && last.query === node.query && node.kind !== 'keyframes') {
      nodes[nodes.length - 1] = { ...last, rules: [...last.rules, ...node.rules] };
    } else nodes.push(node);
  }
  return nodes;
}

/** The stylesheet as text: readable, or with no space that is not needed. */
export function writeCss(sheet: Stylesheet, style: 'readable' | 'compact' = 'readable'): string {
  return sheet.map((node) => (style === 'compact' ? compact(node) : readable(node, ''))).join(style === 'compact' ? '' : '\n');
}

function compact(node: CssNode): string {
  if (node.kind !== 'rule') return `@${node.kind} ${node.query}{${node.rules.map(compact).join('')}}`;
  return `${node.selector}{${node.declarations.map(([property, value]) => `${property}:${value}`).join(';')}}`;
}

function readable(node: CssNode, indent: string): string {
  if (node.kind !== 'rule')
    return `${indent}@${node.kind} ${node.query} {\n${node.rules.map((inner) => readable(inner, `${indent}  `)).join('')}${indent}}\n`;
  return `${indent}${node.selector} {\n${node.declarations.map(([property, value]) => `${indent}  ${property}: ${value};\n`).join('')}${indent}}\n`;
}
