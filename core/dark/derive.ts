import { WHITE, contrast, nearestPassing, toHex, toLch, type Rgba } from '../colour';
import { DARK_PAGE, fillLayers, inkOf, layerOf, paintedFill, readability, readabilityTogether, type SlotReadability } from '../paint';
import { winnerAt } from '../resolve';
import {
  ACCENT,
  containerOf,
  goesAlong,
  isReading,
  partNames,
  partOf,
  places,
  placesFor,
  propertiesOf,
  propertyOf,
  viewOfChanged,
  type Place,
  type Property,
  type Slot,
  type Theme,
  type ThemeView,
  type Value,
} from '../theme';
import { setSwatch, setValue } from '../edit';
import { RAISED, darkened, lightened, shade, shareOf, tonesFrom, wantedFrom, type Role } from './tones';

const BODY: Slot = { part: 'body-rows', conditions: [] };
const WHOLE: Place = { part: 'table', condition: 'rest' };
/** What an ink that goes along with its ground is to reach (WCAG 2.2, 1.4.3). */
const READS = 4.5;
/** Rounds in which what came out too faint is mended. */
const ROUNDS = 6;

/** A colour as it is said at a place. */
interface Use {
  readonly place: Place;
  readonly property: Property;
  readonly value: Extract<Value, { readonly kind: 'colour' | 'line' }>;
  readonly role: Role;
  /** How much of its swatch; 1 for all of it. */
  readonly share: number;
}

/**
 * A theme with its dark mode made anew from what it is where it is bright, with what it grows from: swatches by what they are used for,
 * and values where one swatch is used for two things. Grounds are dark and what is raised is lighter than what it stands on, hues stay,
 * shadows become lines; every text that can be read can be read (`wantedFrom`). Undefined for a theme that is dark already.
 */
export function deriveDark(given: ThemeView): Theme | undefined {
  const { modes = [], ...rest } = given.theme;
  const others = modes.filter(({ name }) => name !== 'dark');
  const bright = viewOfChanged(given.in('').at(''), others.length > 0 ? { ...rest, modes: others } : rest);
  const paper = paintedFill(bright, BODY);
  if (toLch(paper).l < 0.45) return undefined;
  const uses = usesIn(bright);
  const tones = tonesFrom(paper);
  const ground = tones.ground(paper);
  const accent = accentIn(bright, ground);
  let theme = withSwatches(bright, accent ? uses.filter(({ value }) => value.swatch !== ACCENT) : uses, tones);
  if (accent) theme = setSwatch(theme, { name: ACCENT, colour: accent }, 'dark');
  const set = (place: Place, property: Property['name'], text: string): void => {
    theme = setValue(theme, { part: place.part, condition: place.condition, mode: 'dark' }, property, text);
  };
  const has = viewOfChanged(bright, theme).in('dark');
  for (const use of uses) {
    if (accent && use.value.swatch === ACCENT) continue;
    const text = darkText(use, has, tones, ground);
    if (text !== undefined) set(use.place, use.property.name, text);
  }
  // A table that shows its page would stand on whatever that is.
  if (fillLayers(bright, BODY).table.alpha < 1) set(WHOLE, 'fill', toHex(ground));
  if (winnerAt(bright, BODY, 'ink').value.kind !== 'colour') set(WHOLE, 'ink', toHex(DARK_PAGE.ink));
  for (const place of places)
    for (const property of propertiesOf(place.part)) {
      const value = bright.valueAt(place, property);
      if (value?.kind === 'picture' && value.stops) set(place, property.name, gradientText(value, tones.ground));
      if (property.kind !== 'shadow') continue;
      if (value && value.css !== 'none') set(place, property.name, `0 0 0 1px ${toHex(shade(0.4, toLch(paper).c, toLch(paper).h))}`);
    }
  return mended(bright, thinned(bright, theme));
}

/** Colours that go over into one another, each as a ground, the same way as they were. */
function gradientText({ css, stops = [] }: Extract<Value, { readonly kind: 'picture' }>, toneOf: (colour: Rgba) => Rgba): string {
  const way = css.slice(css.indexOf('(') + 1, css.indexOf(','));
  return `${stops.map((stop) => toHex(toneOf(stop))).join(' to ')} ${way}`;
}

/**
 * The dark tone of an accent with which inks go along, whatever it is a ground, a line or a text for: the nearest that can be told from the
 * ground (WCAG 2.2, 1.4.11), since the inks see to themselves. Undefined where the theme has no such inks; its accent is then a swatch like others.
 */
function accentIn(view: ThemeView, ground: Rgba): string | undefined {
  const own = view.vocabulary.swatches.get(ACCENT);
  const hasInks = places.some((place) =>
    propertiesOf(place.part).some((property) => {
      const value = view.valueAt(place, property);
      return value !== undefined && goesAlong(value);
    }),
  );
  return own && hasInks ? toHex(nearestPassing(own, ground, 3) ?? own) : undefined;
}

/** Every colour that is said, by the theme or below it, with what it is there. */
function usesIn(view: ThemeView): readonly Use[] {
  return places.flatMap((place) =>
    propertiesOf(place.part).flatMap((property): readonly Use[] => {
      const value = view.valueAt(place, property);
      if ((value?.kind !== 'colour' && value?.kind !== 'line') || goesAlong(value)) return [];
      if (value.rgba.alpha === 0 || (value.kind === 'line' && (value.style === 'none' || value.style === 'hidden'))) return [];
      const whole = value.swatch === undefined ? undefined : view.vocabulary.swatches.get(value.swatch);
      const share = whole && whole.alpha > 0 ? Math.round((value.rgba.alpha / whole.alpha) * 100) / 100 : 1;
      const isFill = property.name === 'fill';
      const role: Role = value.kind === 'line' ? 'line' : !isFill ? 'ink' : value.rgba.alpha < 0.6 ? 'tint' : 'ground';
      return [{ place, property, value, role, share }];
    }),
  );
}

/** Tints and texts are one tone. */
const toneOf = (role: Role): Role => (role === 'tint' ? 'ink' : role);
const nameFor = (swatch: string, role: Role): string => `${swatch.slice(0, 33)}-${toneOf(role)}`;

/** For each swatch its dark tone for what it is mostly used for; for each other use another swatch that is there in the dark alone. */
function withSwatches(view: ThemeView, uses: readonly Use[], tones: ReturnType<typeof tonesFrom>): Theme {
  let { theme } = view;
  for (const { name } of view.swatches) {
    const rgba = view.vocabulary.swatches.get(name);
    const own = uses.filter(({ value }) => value.swatch === name);
    if (!rgba || own.length === 0) continue;
    const roles = [...new Set(own.map(({ role }) => toneOf(role)))];
    const count = (role: Role): number => own.filter((use) => toneOf(use.role) === role).length;
    const [main, ...rest] = roles.sort((a, b) => count(b) - count(a));
    if (main) theme = setSwatch(theme, { name, colour: toHex(tones[main](rgba)) }, 'dark');
    for (const role of rest) theme = setSwatch(theme, { name: nameFor(name, role), colour: toHex(tones[role](rgba)) }, 'dark');
  }
  return theme;
}

/** What a use is in the dark, as a text; undefined where its swatch says it already. */
function darkText({ value, role, share, property }: Use, has: ThemeView, tones: ReturnType<typeof tonesFrom>, ground: Rgba): string | undefined {
  const { swatch } = value;
  const split = swatch === undefined ? undefined : nameFor(swatch, role);
  const isSplit = split !== undefined && has.vocabulary.swatches.has(split);
  const name = isSplit ? split : swatch;
  const dark = name === undefined ? tones[role](value.rgba) : (has.vocabulary.swatches.get(name) ?? value.rgba);
  const kept = role === 'tint' ? shareOf(dark, ground, share) : share;
  if (name !== undefined && !isSplit && kept === share) return undefined;
  const colour = name ?? toHex(role === 'tint' ? { ...dark, alpha: dark.alpha * kept } : dark);
  const text = name !== undefined && kept < 1 ? `${colour} ${Math.round(kept * 100)}%` : colour;
  if (value.kind === 'colour') return text;
  const [width = '1px', style = 'solid'] = value.css.split(' ');
  return property.kind === 'bar' ? `${width} ${text}` : property.kind === 'line' || property.kind === 'outline' ? `${width} ${style} ${text}` : text;
}

/** The theme with tints of the body thinned where several of them lie over one another and come to more than a ground may be. */
function thinned(bright: ThemeView, derived: Theme): Theme {
  let theme = derived;
  for (let round = 0; round < ROUNDS; round++) {
    const dark = viewOfChanged(bright, theme).in('dark');
    if (toLch(paintedFill(dark, BODY)).l <= RAISED) return theme;
    for (const at of fillPlaces(dark, BODY)) {
      const value = dark.valueAt(at, propertyOf('fill'));
      if (value?.kind !== 'colour' || value.rgba.alpha === 0 || value.rgba.alpha === 1) continue;
      theme = setValue(theme, { ...at, mode: 'dark' }, 'fill', toHex({ ...value.rgba, alpha: value.rgba.alpha * 0.8 }));
    }
  }
  return theme;
}

/** A text that an ink is on: what it stands on, how well it is to be read there, and whether it is. */
interface Asked {
  readonly ground: Rgba;
  readonly wanted: number;
  readonly slot: Slot;
  readonly isMet: boolean;
}

/** The theme with what is fainter in the dark than it may be made lighter, and where that is not enough its ground darker. */
function mended(bright: ThemeView, derived: Theme): Theme {
  const asked = partNames
    .filter((part) => partOf(part).box !== 'lines')
    .flatMap((part) => readabilityTogether(bright, part, 'rest').filter(isAsked))
    .map(({ slot, ratio }) => ({ slot, wanted: goesAlong(winnerAt(bright, slot, 'ink').value) ? READS : wantedFrom(ratio) }));
  let theme = derived;
  for (let round = 0; round < ROUNDS; round++) {
    const dark = viewOfChanged(bright, theme).in('dark');
    const faint = new Map<string, { readonly place: Place; readonly ink: Rgba; readonly on: Asked[] }>();
    let isDone = true;
    for (const { slot, wanted } of asked) {
      const { ratio, ground } = readability(dark, slot);
      const found = inkPlace(dark, slot);
      if (!found) continue;
      const key = JSON.stringify(found);
      const known = faint.get(key) ?? { place: found, ink: inkOf(dark, slot), on: [] };
      // A table that lets its page through takes from both.
      const lost = ratio < wanted ? Math.max(1, contrast(known.ink, ground) / ratio) : 1;
      known.on.push({ ground, wanted: wanted * lost, slot, isMet: ratio >= wanted });
      faint.set(key, known);
      if (ratio < wanted) isDone = false;
    }
    if (isDone) break;
    for (const { place, ink, on } of faint.values()) {
      if (on.every(({ isMet }) => isMet)) continue;
      const better = lightened(ink, on);
      theme = setValue(theme, { ...place, mode: 'dark' }, 'ink', toHex(better ?? WHITE));
      if (better) continue;
      // White is not enough on some ground: that is made darker.
      const tooBright = on.filter(({ ground, wanted }) => contrast(WHITE, ground) < wanted);
      const most = Math.max(...tooBright.map(({ wanted }) => wanted));
      const under = tooBright.flatMap(({ slot }) => fillPlaces(dark, slot));
      for (const at of new Map(under.map((each) => [`${each.part} ${each.condition}`, each])).values()) {
        const value = dark.valueAt(at, propertyOf('fill'));
        if (value?.kind !== 'colour' || value.rgba.alpha === 0) continue;
        const { alpha } = value.rgba;
        const darker = alpha < 0.6 ? { ...value.rgba, alpha: alpha * 0.6 } : darkened(value.rgba, most);
        theme = setValue(theme, { ...at, mode: 'dark' }, 'fill', toHex(darker));
      }
    }
  }
  return theme;
}

/** The place that says a slot's ink: its own, or that of the cell or bar in which it stands; undefined where that is the page's. */
function inkPlace(view: ThemeView, slot: Slot): Place | undefined {
  const { value, place } = winnerAt(view, slot, 'ink');
  if (isReading(value)) return undefined;
  if (value.kind === 'colour') return place && { part: place.part, condition: place.condition };
  const container = containerOf(slot);
  return container && inkPlace(view, container);
}

/** The places whose fills lie behind a slot. */
function fillPlaces(view: ThemeView, slot: Slot): readonly Place[] {
  const fill = propertyOf('fill');
  const found = new Map<string, Place>();
  for (const place of placesFor(slot, fill)) if (view.valueAt(place, fill) && !found.has(layerOf(place))) found.set(layerOf(place), place);
  const container = containerOf(slot);
  return [...found.values(), ...(container ? fillPlaces(view, container) : [])];
}

/** What can be read where it is bright, and what nothing is said of stays the page's own. */
const isAsked = ({ ratio, picture, slot }: SlotReadability): boolean => ratio >= 4.5 && !picture && !slot.conditions.includes('disabled');
