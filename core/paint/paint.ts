import { BLACK, TRANSPARENT, WHITE, blend, contrast, flatten, neededContrast, type Rgba } from '../colour';
import { fontSize, resolve } from '../resolve';
import { conditionOf, lookOf, partOf, placesFor, propertyOf, type Place, type Slot, type Theme } from '../theme';

/** The page that a table stands on. */
export interface PageColours {
  readonly fill: Rgba;
  readonly ink: Rgba;
}
export const WHITE_PAGE: PageColours = { fill: WHITE, ink: BLACK };

/**
 * A slot's fills, back to front (CSS 2.2, section 17.5.1): the table's, the row's, the cell's own as row
 * header, and above them that of a hovered or selected row. Within a layer the strongest value wins;
 * a translucent winner shows the layer behind it.
 */
export interface FillLayers {
  readonly table: Rgba;
  readonly row: Rgba;
  readonly cell: Rgba;
  readonly over: Rgba;
}

type LayerName = keyof FillLayers;

/** Which box paints the fill that is set at a place. */
export function layerOf({ part, condition }: Place): LayerName {
  if (conditionOf(condition).interactive) return 'over';
  if (part === 'table' || part === 'caption') return 'table';
  return partOf(part).depth > 1 ? 'cell' : 'row';
}

export function fillLayers(theme: Theme, slot: Slot): FillLayers {
  const look = lookOf(theme);
  const layers: Record<LayerName, Rgba> = { table: TRANSPARENT, row: TRANSPARENT, cell: TRANSPARENT, over: TRANSPARENT };
  const open = new Set<LayerName>(['table', 'row', 'cell', 'over']);
  const fill = propertyOf('fill');
  for (const place of placesFor(slot, fill)) {
    const layer = layerOf(place);
    const value = open.has(layer) ? look.valueAt(place, fill) : undefined;
    if (value?.kind !== 'colour') continue;
    layers[layer] = value.rgba;
    open.delete(layer);
  }
  return layers;
}

/** What is finally seen behind a slot's text: its fills blended over the page. */
export function paintedFill(theme: Theme, slot: Slot, page: PageColours = WHITE_PAGE): Rgba {
  const { over, cell, row, table } = fillLayers(theme, slot);
  return flatten(over, cell, row, table, page.fill);
}

/** A slot's ink, not yet blended with what is behind it. */
export function inkOf(theme: Theme, slot: Slot, page: PageColours = WHITE_PAGE): Rgba {
  const { value } = resolve(theme, slot, 'ink');
  return value.kind === 'colour' ? value.rgba : page.ink;
}

export interface Readability {
  /** Contrast ratio of the text, 1 to 21. */
  readonly ratio: number;
  /** What it needs (WCAG 2.2, 1.4.3). */
  readonly needed: number;
  readonly passes: boolean;
  readonly ink: Rgba;
  readonly ground: Rgba;
}

/** How well a slot's text reads on what is painted behind it. */
export function readability(theme: Theme, slot: Slot, page: PageColours = WHITE_PAGE): Readability {
  const ground = paintedFill(theme, slot, page);
  const ink = inkOf(theme, slot, page);
  const weight = resolve(theme, slot, 'weight').value;
  const needed = neededContrast(fontSize(theme, slot), weight.kind === 'number' ? weight.amount : 400);
  const ratio = contrast(ink, ground);
  return { ratio, needed, passes: ratio >= needed, ink: blend(ink, ground), ground };
}
