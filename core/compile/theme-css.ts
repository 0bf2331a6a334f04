import { layerOf } from '../paint';
import { edgeLines, isDrawn, outerLines, type Line } from '../lines';
import { resolveAt } from '../resolve';
import { conditionOf, lookOf, places, propertiesOf, swatchVariable, type Look, type Place, type Property, type Theme, type Value } from '../theme';
import { cornerRules } from './corners';
import {
  captionOf,
  cellsOf,
  contract,
  everyCell,
  firstRowCells,
  heldTest,
  isCellPart,
  laterCells,
  laterRowCells,
  rowsOf,
  type SelectorOptions,
} from './selectors';
import { rule, type CssNode, type Declaration, type Stylesheet } from './stylesheet';

export interface ThemeCssOptions {
  /** The key that names the theme's class: `zp-` and the key. */
  readonly key: string;
  /** For previews: conditions can also be held open by `data-held` on a row. Published CSS does not carry this. */
  readonly held?: boolean;
}

/**
 * The stylesheet of a theme: its swatches, the table's box, then a rule for each place in the order of
 * strength, then the lines. It dresses every table that carries the theme's class.
 */
export function themeCss(theme: Theme, { key, held = false }: ThemeCssOptions): Stylesheet {
  const look = lookOf(theme);
  const options: SelectorOptions = { theme: contract.theme(key), held };
  const body = places.filter(({ part }) => part !== 'lines').flatMap((place) => placeRules(look, place, options));
  const nodes = [tableBox(theme), ...body, ...lineRules(theme, options), ...cornerRules(theme, options)].map((node) =>
    typeof node === 'function' ? node(options) : node,
  );
  return [...swatchRule(look, options, nodes), ...nodes.filter((node) => node.kind !== 'rule' || node.declarations.length > 0)];
}

/** The swatches that are used, as custom properties, so that a brand colour is changed in one place. */
function swatchRule(look: Look, { theme }: SelectorOptions, nodes: readonly CssNode[]): readonly CssNode[] {
  const used = new Set<string>();
  for (const node of nodes) collectVariables(node, used);
  const declarations = look.swatches
    .filter(({ name }) => used.has(swatchVariable(name)))
    .map(({ name, colour }): Declaration => [swatchVariable(name), colour.toLowerCase()]);
  return declarations.length > 0 ? [rule(`.${theme}`, ...declarations)] : [];
}

/** Names of the custom properties that a node's values read. Scanned by hand: this runs at every edit. */
function collectVariables(node: CssNode, used: Set<string>): void {
  if (node.kind === 'media') return node.rules.forEach((inner) => collectVariables(inner, used));
  for (const [, value] of node.declarations) {
    for (let at = value.indexOf('var('); at >= 0; at = value.indexOf('var(', at + 4)) used.add(value.slice(at + 4, value.indexOf(')', at)));
  }
}

/** The table's own box. Borders are always separate, since only then do corners round and lines have one owner. */
function tableBox(theme: Theme): (options: SelectorOptions) => CssNode {
  return (options) => {
    const table = { part: 'table', condition: 'rest' } as const;
    const value = (name: 'radius' | 'cells' | 'gap'): Value => resolveAt(theme, table, name);
    const spaced = value('cells').css === 'spaced';
    const radius = value('radius').css;
    const rounded: Declaration[] = radius === '0' ? [] : [['border-radius', radius]];
    return rule(
      `.${options.theme}`,
      ['border-collapse', 'separate'],
      ['border-spacing', spaced ? value('gap').css : '0'],
      ...outer(theme),
      ...rounded,
    );
  };
}

function outer(theme: Theme): Declaration[] {
  const { top, end, bottom, start } = outerLines(theme);
  if ([end, bottom, start].every((line) => line.css === top.css)) return isDrawn(top) ? [['border', top.css]] : [];
  const sides: readonly (readonly [string, Line])[] = [
    ['block-start', top],
    ['inline-end', end],
    ['block-end', bottom],
    ['inline-start', start],
  ];
  return sides.filter(([, line]) => isDrawn(line)).map(([side, line]) => [`border-${side}`, line.css]);
}

/** The rules of one place: what is set there by the theme or, failing that, by what it grows from. */
function placeRules(look: Look, place: Place, options: SelectorOptions): readonly CssNode[] {
  const set: SetValue[] = [];
  for (const property of propertiesOf(place.part)) {
    const value = look.valueAt(place, property);
    if (value) set.push({ property, value });
  }
  if (set.length === 0) return [];
  if (place.part === 'table') return wholeTable(set, options);
  const fill = set.find(({ property }) => property.name === 'fill');
  const others = declare(set.filter(({ property }) => property.name !== 'fill'));
  if (!isCellPart(place.part)) return [rule(captionOf(options), ...others, ...(fill ? [['background-color', fill.value.css] as const] : []))];
  return conditionOf(place.condition).interactive ? interactive(place, fill?.value, others, options) : atRest(place, fill?.value, others, options);
}

interface SetValue {
  readonly property: Property;
  readonly value: Value;
}

/** The whole table's values: its fill on the table, type on caption and cells, room inside on the cells only. */
function wholeTable(set: readonly SetValue[], options: SelectorOptions): readonly CssNode[] {
  const handed = set.filter(({ property }) => property.falls === 'table' && property.name !== 'fill');
  const fill = set.find(({ property }) => property.name === 'fill');
  const shared = handed.filter(({ property }) => property.parts.includes('caption') && !property.stops?.includes('caption'));
  const inside = handed.filter((each) => !shared.includes(each));
  return [
    rule(`.${options.theme}`, ...(fill ? [['background-color', fill.value.css] as const] : [])),
    rule(`${captionOf(options)},${everyCell(options)}`, ...declare(shared)),
    rule(everyCell(options), ...declare(inside)),
  ];
}

function atRest(place: Place, fill: Value | undefined, others: readonly Declaration[], options: SelectorOptions): readonly CssNode[] {
  const target = layerOf(place) === 'row' ? rowsOf(options, place) : cellsOf(options, place);
  return [...(fill ? [rule(target, ['background-color', fill.css])] : []), rule(cellsOf(options, place), ...others)];
}

/**
 * A hovered or selected row's fill is laid over the one at rest, as a picture of one colour: a translucent
 * one shows the band behind it. Hover is asked for only where a pointer can hover, since it sticks after a tap.
 */
function interactive(place: Place, fill: Value | undefined, others: readonly Declaration[], options: SelectorOptions): readonly CssNode[] {
  const declarations: Declaration[] = [...(fill ? [over(fill)] : []), ...others];
  if (declarations.length === 0) return [];
  const held = options.held ? [rule(cellsOf(options, place, heldTest(place.condition)), ...declarations)] : [];
  const real = rule(cellsOf(options, place), ...declarations);
  return place.condition === 'hovered' ? [{ kind: 'media', query: '(hover:hover)', rules: [real] }, ...held] : [real, ...held];
}

const over = ({ css }: Value): Declaration => ['background-image', css === 'transparent' ? 'none' : `linear-gradient(${css},${css})`];

/** Values as declarations; sides that face each other are written together. */
function declare(set: readonly SetValue[]): readonly Declaration[] {
  const declarations: Declaration[] = [];
  const sides: Record<string, string> = {};
  for (const { property, value } of set) {
    const { css } = property;
    if (css === undefined) continue;
    if (css.startsWith('padding-')) sides[css] = value.css;
    else declarations.push([css, value.css]);
    if (css === 'height') declarations.push(['box-sizing', 'border-box']);
  }
  return [...declarations, ...facing(sides, 'padding-block'), ...facing(sides, 'padding-inline')];
}

function facing(sides: Readonly<Record<string, string>>, name: string): readonly Declaration[] {
  const [start, end] = [sides[`${name}-start`], sides[`${name}-end`]];
  if (start !== undefined && end !== undefined) return [[name, start === end ? start : `${start} ${end}`]];
  if (start !== undefined) return [[`${name}-start`, start]];
  return end === undefined ? [] : [[`${name}-end`, end]];
}

/** Each inner edge is drawn once: by the cell below it, or by the cell after it. */
function lineRules(theme: Theme, options: SelectorOptions): readonly CssNode[] {
  const { rows, columns, headerBody, bodyFooter, headerFooter } = edgeLines(theme);
  const draw = (selector: string, side: string, line: Line): CssNode =>
    rule(selector, ...(isDrawn(line) ? [[`border-${side}`, line.css] as const] : []));
  return [
    draw(`${laterRowCells(options)},${firstRowCells(options, 'tbody+tbody')}`, 'block-start', rows),
    draw(firstRowCells(options, 'thead+tbody'), 'block-start', headerBody),
    draw(firstRowCells(options, 'tbody+tfoot'), 'block-start', bodyFooter),
    draw(firstRowCells(options, 'thead+tfoot'), 'block-start', headerFooter),
    draw(laterCells(options), 'inline-start', columns),
  ];
}
