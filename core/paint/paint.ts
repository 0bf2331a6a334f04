import { BLACK, TRANSPARENT, WHITE, blend, contrast, fade, flatten, neededContrast, type Rgba } from '../colour';
import { exceptionAmong, fontSize, resolveAt, winnerAt } from '../resolve';
import {
  conditionOf,
  containerOf,
  exceptedFor,
  lineage,
  lookOf,
  partOf,
  placesFor,
  propertyOf,
  type PartName,
  type Place,
  type Slot,
  type Theme,
} from '../theme';

/** The page that a table stands on. */
export interface PageColours {
  readonly fill: Rgba;
  readonly ink: Rgba;
}
export const WHITE_PAGE: PageColours = { fill: WHITE, ink: BLACK };

/**
 * A slot's fills, back to front (CSS 2.2, section 17.5.1): the table's, the row group's, the row's, the
 * cell's own, and above them that of a hovered, selected, focused or disabled one. Within a layer the
 * strongest value wins; a translucent winner shows the layer behind it.
 */
export interface FillLayers {
  readonly table: Rgba;
  readonly group: Rgba;
  readonly row: Rgba;
  readonly cell: Rgba;
  readonly over: Rgba;
}

export type LayerName = keyof FillLayers;
const layerNames: readonly LayerName[] = ['table', 'group', 'row', 'cell', 'over'];

/** Which box paints the fill that is set at a place. */
export function layerOf({ part, condition }: Place): LayerName {
  const { box, depth } = partOf(part);
  if (box !== 'cells') return 'table';
  const { tier } = conditionOf(condition);
  if (tier === 'hand') return 'over';
  if (tier === 'column' || depth > 1 || condition === 'odd-columns' || condition === 'even-columns') return 'cell';
  // Header and footer are filled as a whole, so that a picture behind them is not covered row by row.
  return part !== 'body-rows' && condition === 'rest' ? 'group' : 'row';
}

export function fillLayers(theme: Theme, slot: Slot): FillLayers {
  const look = lookOf(theme);
  const layers: Record<LayerName, Rgba> = { table: TRANSPARENT, group: TRANSPARENT, row: TRANSPARENT, cell: TRANSPARENT, over: TRANSPARENT };
  const open = new Set<LayerName>(layerNames);
  const fill = propertyOf('fill');
  // An exception fills its cells; one that always holds is laid over what the hand brings.
  const { over, under } = exceptedFor(slot, 'fill');
  for (const [layer, some] of [
    ['over', over],
    ['cell', under],
  ] as const) {
    const winner = exceptionAmong(look, some, fill);
    if (winner?.value.kind !== 'colour') continue;
    layers[layer] = winner.value.rgba;
    open.delete(layer);
  }
  for (const place of placesFor(slot, fill)) {
    const layer = layerOf(place);
    const value = open.has(layer) ? look.valueAt(place, fill) : undefined;
    if (value?.kind !== 'colour') continue;
    layers[layer] = value.rgba;
    open.delete(layer);
  }
  return layers;
}

/** What lies behind a slot's own box: the page, or for what stands in a cell or a bar, that cell or bar. */
function behind(theme: Theme, slot: Slot, page: PageColours): Rgba {
  const container = containerOf(slot);
  return container ? stacked(theme, container, page) : page.fill;
}

/** A slot's fills blended, before the whole table's opacity. */
function stacked(theme: Theme, slot: Slot, page: PageColours): Rgba {
  const { over, cell, row, group, table } = fillLayers(theme, slot);
  return flatten(over, cell, row, group, table, behind(theme, slot, page));
}

/** How opaque the table is as a whole, 0 to 1. What stands around it does not fade with it. */
function opacityOf(theme: Theme, { part }: Slot): number {
  if (partOf(part).box === 'around') return 1;
  const value = resolveAt(theme, { part: 'table', condition: 'rest' }, 'opacity');
  return value.kind === 'number' ? value.amount : 1;
}

/** What is finally seen behind a slot's text: its fills blended, faded with the table, over the page. */
export const paintedFill = (theme: Theme, slot: Slot, page: PageColours = WHITE_PAGE): Rgba =>
  blend(fade(stacked(theme, slot, page), opacityOf(theme, slot)), page.fill);

/** Whether a picture lies behind a slot's text, so that what is painted there cannot be known. */
export function hasPictureBehind(theme: Theme, slot: Slot): boolean {
  const { part } = slot;
  const box = partOf(part).box;
  if (box === 'caption' || box === 'around' || box === 'lines') return false;
  // A cell's own stands in front of its part's, and may be none.
  const own = box === 'cells' ? winnerAt(theme, slot, 'picture') : undefined;
  if (own?.excepted && own.value.css !== 'none') return true;
  const under: readonly PartName[] = box === 'content' ? ['table'] : ['table', ...lineage(part)];
  return under.some((each) => {
    const picture = propertyOf('picture');
    return picture.parts.includes(each) && resolveAt(theme, { part: each, condition: 'rest' }, 'picture').css !== 'none';
  });
}

/** A slot's ink, not yet blended with what is behind it. */
export function inkOf(theme: Theme, slot: Slot, page: PageColours = WHITE_PAGE): Rgba {
  const { value } = winnerAt(theme, slot, 'ink');
  if (value.kind === 'colour') return value.rgba;
  const container = containerOf(slot);
  return container ? inkOf(theme, container, page) : page.ink;
}

export interface Readability {
  /** Contrast ratio of the text, 1 to 21. */
  readonly ratio: number;
  /** What it needs (WCAG 2.2, 1.4.3). */
  readonly needed: number;
  readonly passes: boolean;
  readonly ink: Rgba;
  readonly ground: Rgba;
  readonly picture: boolean;
}

/** How well a slot's text reads on what is painted behind it. A picture behind is not looked at: `picture` says that there is one. */
export function readability(theme: Theme, slot: Slot, page: PageColours = WHITE_PAGE): Readability {
  const opacity = opacityOf(theme, slot);
  const under = stacked(theme, slot, page);
  const ground = blend(fade(under, opacity), page.fill);
  const ink = blend(fade(blend(inkOf(theme, slot, page), under), opacity), page.fill);
  const weight = winnerAt(theme, slot, 'weight').value;
  // What is disabled need not be read (WCAG 2.2, 1.4.3, "Incidental").
  const needed = slot.conditions.includes('disabled') ? 1 : neededContrast(fontSize(theme, slot), weight.kind === 'number' ? weight.amount : 400);
  const ratio = contrast(ink, ground);
  return { ratio, needed, passes: ratio >= needed, ink, ground, picture: hasPictureBehind(theme, slot) };
}
