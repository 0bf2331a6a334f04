import { BLACK, TRANSPARENT, WHITE, blend, contrast, fade, flatten, inkFor, nearestPassing, neededContrast, type Rgba } from '../colour';
import { fontSize, resolveAt, winnerAt } from '../resolve';
import {
  conditionOf,
  containerOf,
  isReading,
  lineage,
  partOf,
  propertyOf,
  sayersFor,
  type PartName,
  type Place,
  type Slot,
  type ThemeView,
  type Value,
} from '../theme';

const grey = (byte: number): Rgba => ({ r: byte / 255, g: byte / 255, b: byte / 255, alpha: 1 });

/** The page that a table stands on. */
export interface PageColours {
  readonly fill: Rgba;
  readonly ink: Rgba;
}
const WHITE_PAGE: PageColours = { fill: WHITE, ink: BLACK };
/** The page that a dark table is thought to stand on: a grey of lightness 0.16 in OKLCH, and one of 0.95. */
export const DARK_PAGE: PageColours = { fill: grey(13), ink: grey(240) };
/** The page that a theme is thought to stand on as it is looked at, where none is said. */
export const pageOf = ({ mode }: Pick<ThemeView, 'mode'>): PageColours => (mode === 'dark' ? DARK_PAGE : WHITE_PAGE);

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
  if (tier === 'column' || depth > 1 || condition === 'odd-columns' || condition === 'even-columns' || conditionOf(condition).mark !== undefined)
    return 'cell';
  // Header and footer are filled as a whole, so that a picture behind them is not covered row by row.
  return part !== 'body-rows' && condition === 'rest' ? 'group' : 'row';
}

export function fillLayers(view: ThemeView, slot: Slot): FillLayers {
  const layers: Record<LayerName, Rgba> = { table: TRANSPARENT, group: TRANSPARENT, row: TRANSPARENT, cell: TRANSPARENT, over: TRANSPARENT };
  const open = new Set<LayerName>(layerNames);
  const fill = propertyOf('fill');
  if (partOf(slot.part).box === 'cards') return { ...layers, table: cardFill(view, slot)?.rgba ?? TRANSPARENT };
  for (const sayer of sayersFor(slot, fill)) {
    // An exception fills its cells; one that always holds is laid over what the hand brings.
    const layer = 'part' in sayer ? layerOf(sayer) : sayer.always ? 'over' : 'cell';
    if (!open.has(layer)) continue;
    const value = 'part' in sayer ? view.valueAt(sayer, fill) : readIn(view, sayer.values.fill);
    if (value?.kind !== 'colour') continue;
    layers[layer] = value.rgba;
    open.delete(layer);
  }
  return layers;
}

/**
 * The fill of a part of cards, which has one box and so one fill; undefined for none. Where rows have none, what lies behind them is the
 * table's, and so it is for a card that has nothing of its own.
 */
export function cardFill(view: ThemeView, slot: Slot): Extract<Value, { readonly kind: 'colour' }> | undefined {
  const fill = propertyOf('fill');
  for (const sayer of sayersFor(slot, fill)) {
    const value = 'part' in sayer ? view.valueAt(sayer, fill) : undefined;
    if (value?.kind !== 'colour' || !('part' in sayer)) continue;
    if (value.rgba.alpha > 0 || sayer.part === slot.part) return value;
  }
  return undefined;
}

function readIn(view: ThemeView, text = ''): Value | undefined {
  const read = view.read(propertyOf('fill'), text);
  return read.ok ? read.value : undefined;
}

/** What lies behind a slot's own box: the page, or for what stands in a cell or a bar, that cell or bar. */
function behind(view: ThemeView, slot: Slot, page: PageColours): Rgba {
  const container = containerOf(slot);
  return container ? stacked(view, container, page) : page.fill;
}

/** A slot's fills blended, before the whole table's opacity. */
function stacked(view: ThemeView, slot: Slot, page: PageColours): Rgba {
  const { over, cell, row, group, table } = fillLayers(view, slot);
  return flatten(over, cell, row, group, table, behind(view, slot, page));
}

/** How opaque the table is as a whole, 0 to 1. What stands around it does not fade with it, and cards do not. */
function opacityOf(view: ThemeView, { part }: Slot): number {
  if (partOf(part).box === 'around' || partOf(part).box === 'cards') return 1;
  const value = resolveAt(view, { part: 'table', condition: 'rest' }, 'opacity');
  return value.kind === 'number' ? value.amount : 1;
}

/** What is finally seen behind a slot's text: its fills blended, faded with the table, over the page. */
export const paintedFill = (view: ThemeView, slot: Slot, page: PageColours = pageOf(view)): Rgba =>
  blend(fade(stacked(view, slot, page), opacityOf(view, slot)), page.fill);

/** A picture behind a slot's text: the box whose fill it lies over and, where it is colours alone, these. */
interface Behind {
  readonly layer: LayerName;
  readonly stops: readonly Rgba[] | undefined;
}
const behindIn = (layer: LayerName, value: Value): Behind => ({ layer, stops: value.kind === 'picture' ? value.stops : undefined });

const picture = propertyOf('picture');

function picturesBehind(view: ThemeView, slot: Slot): readonly Behind[] {
  const { part } = slot;
  const box = partOf(part).box;
  if (box === 'caption' || box === 'around' || box === 'lines' || box === 'cards') return [];
  // A cell's own stands in front of its part's, and may be none.
  const own = box === 'cells' ? winnerAt(view, slot, 'picture') : undefined;
  const under: readonly PartName[] = box === 'content' ? ['table'] : part === 'table' ? ['table'] : ['table', ...lineage(part).slice(0, -1)];
  const found = under.flatMap((each): readonly Behind[] => {
    if (!picture.parts.includes(each)) return [];
    const place = { part: each, condition: 'rest' } as const;
    const value = resolveAt(view, place, 'picture');
    return value.css === 'none' ? [] : [behindIn(layerOf(place), value)];
  });
  return own?.excepted && own.value.css !== 'none' ? [...found, behindIn('cell', own.value)] : found;
}

/** Whether a picture lies behind a slot's text, so that what is painted there cannot be known: not one of colours alone. */
export const hasPictureBehind = (view: ThemeView, slot: Slot): boolean => picturesBehind(view, slot).some(({ stops }) => stops === undefined);

/** Places between two colours that go over into one another that are looked at. */
const BETWEEN = 4;

/** What can lie behind a slot before the whole table's opacity: its fills blended or, where colours go over into one another, what these come to. */
function grounds(view: ThemeView, slot: Slot, page: PageColours, pictures: readonly Behind[]): readonly Rgba[] {
  const shaded = pictures.filter(({ stops }) => stops !== undefined);
  const container = containerOf(slot);
  if (container && shaded.length > 0) {
    const { over, cell, row, group, table } = fillLayers(view, slot);
    return grounds(view, container, page, picturesBehind(view, container)).map((under) => flatten(over, cell, row, group, table, under));
  }
  const layers = shaded.length === 0 ? undefined : fillLayers(view, slot);
  if (!layers || shaded.length < pictures.length) return [stacked(view, slot, page)];
  return shaded.flatMap(({ layer, stops = [] }) =>
    along(stops).map((colour) => {
      const own: FillLayers = { ...layers, [layer]: blend(colour, layers[layer]) };
      return flatten(own.over, own.cell, own.row, own.group, own.table, page.fill);
    }),
  );
}

/** Some of the colours on the way from stop to stop (CSS Images 4, section 3.4.3: premultiplied, in sRGB). */
function along(stops: readonly Rgba[]): readonly Rgba[] {
  return stops.flatMap((to, i) => {
    const from = stops[i - 1];
    if (!from) return [to];
    return Array.from({ length: BETWEEN }, (_, step): Rgba => {
      const share = (step + 1) / BETWEEN;
      const alpha = from.alpha + (to.alpha - from.alpha) * share;
      const mix = (a: number, b: number): number => (alpha === 0 ? 0 : (a * from.alpha * (1 - share) + b * to.alpha * share) / alpha);
      return { r: mix(from.r, to.r), g: mix(from.g, to.g), b: mix(from.b, to.b), alpha };
    });
  });
}

/** A slot's ink, not yet blended with what is behind it. */
export function inkOf(view: ThemeView, slot: Slot, page: PageColours = pageOf(view)): Rgba {
  const { value } = winnerAt(view, slot, 'ink');
  if (value.kind === 'colour') return isReading(value) ? readingInk(view, slot, value.rgba, page) : value.rgba;
  const container = containerOf(slot);
  return container ? inkOf(view, container, page) : page.ink;
}

/** The nearest to a colour that reads on what lies behind a slot's text, at 4.5 : 1 whatever its size (WCAG 2.2, 1.4.3). */
function readingInk(view: ThemeView, slot: Slot, colour: Rgba, page: PageColours): Rgba {
  const ground = paintedFill(view, slot, page);
  return nearestPassing(colour, ground, 4.5) ?? inkFor(ground);
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

/**
 * How well a slot's text reads on what is painted behind it; where colours go over into one another, at the worst place. A picture behind
 * is not looked at: `picture` says that there is one.
 */
export function readability(view: ThemeView, slot: Slot, page: PageColours = pageOf(view)): Readability {
  const opacity = opacityOf(view, slot);
  const seen = (colour: Rgba): Rgba => blend(fade(colour, opacity), page.fill);
  const own = inkOf(view, slot, page);
  const pictures = picturesBehind(view, slot);
  const cases = grounds(view, slot, page, pictures).map((under) => {
    const [ground, ink] = [seen(under), seen(blend(own, under))];
    return { ground, ink, ratio: contrast(ink, ground) };
  });
  const { ground, ink, ratio } = cases.reduce((worst, each) => (each.ratio < worst.ratio ? each : worst));
  // What is disabled need not be read (WCAG 2.2, 1.4.3, "Incidental").
  const weight = winnerAt(view, slot, 'weight').value;
  const needed = slot.conditions.includes('disabled') ? 1 : neededContrast(fontSize(view, slot), weight.kind === 'number' ? weight.amount : 400);
  return { ratio, needed, passes: ratio >= needed, ink, ground, picture: pictures.some(({ stops }) => stops === undefined) };
}
