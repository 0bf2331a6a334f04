import { inkFor, toHex } from '../../colour';
import { inkVariable, refersToSwatch, swatchVariable, type ThemeView } from '../../theme';
import { rule, type CssNode, type Declaration } from './stylesheet';

/**
 * The swatches that are used, as custom properties, so that a brand colour is changed in one place; with the inks for them, and what else
 * nodes read, by its name.
 */
export function swatchRule(
  view: ThemeView,
  selector: string,
  nodes: readonly CssNode[],
  more: ReadonlyMap<string, string> = NOTHING,
): readonly CssNode[] {
  const declarations = [...variablesOf(view, nodes, more)];
  // What the browser draws itself, fields and scroll bars, is dark with it.
  if (view.mode === 'dark') declarations.push(['color-scheme', 'dark']);
  return declarations.length > 0 ? [rule(selector, ...declarations)] : [];
}
const NOTHING: ReadonlyMap<string, string> = new Map();

/** What the custom properties that nodes read come to: of swatches, of inks for them, and `more`. */
export function variablesOf(view: ThemeView, nodes: readonly CssNode[], more: ReadonlyMap<string, string>): readonly Declaration[] {
  const used = new Set<string>();
  for (const node of nodes) collectVariables(node, used);
  const declarations = view.swatches
    .filter(({ name }) => used.has(swatchVariable(name)))
    .map(({ name, colour }): Declaration => [swatchVariable(name), writtenColour(view, name, colour)]);
  for (const { name } of view.swatches) {
    const colour = view.colours.get(name);
    if (used.has(inkVariable(name)) && colour?.ok) declarations.push([inkVariable(name), toHex(inkFor(colour.value))]);
  }
  for (const [name, value] of more) if (used.has(name)) declarations.push([name, value]);
  return declarations;
}

/** A swatch as it was typed, or what it comes to where it refers to another. */
function writtenColour(view: ThemeView, name: string, typed: string): string {
  const read = view.colours.get(name);
  return read?.ok && refersToSwatch(typed) ? toHex(read.value) : typed.toLowerCase();
}

/** Names of the custom properties that a node's values read. Scanned by hand: this runs at every edit. */
function collectVariables(node: CssNode, used: Set<string>): void {
  if (node.kind !== 'rule') return node.rules.forEach((inner) => collectVariables(inner, used));
  for (const [, value] of node.declarations) {
    for (let at = value.indexOf('var('); at >= 0; at = value.indexOf('var(', at + 4)) used.add(value.slice(at + 4, value.indexOf(')', at)));
  }
}
