import { BLACK, WHITE, blend, contrast, nearestPassing, toHex, toLch, type Rgba } from '../colour';
import { setValue } from '../edit';
import { resolveAt } from '../resolve';
import {
  conditionOf,
  partOf,
  places,
  propertiesOf,
  viewOfChanged,
  type Place,
  type Property,
  type Theme,
  type ThemeView,
  type Value,
} from '../theme';
import { shade } from './tones';

/** What texts have on white paper, and what a line has at least: the thinnest grey that printers still print as one. */
const [READ, SEEN] = [4.5, 1.5] as const;
const LINE = '1px solid #a6a6a6';
const STRONG = '1px solid #6b6b6b';
const BODY: Place = { part: 'body-rows', condition: 'rest' };
const LINES: Place = { part: 'lines', condition: 'rest' };

/**
 * A theme with its print mode made to save ink: no fills, pictures or shadows, texts dark enough for white paper in their hue, lines that
 * were seen on a fill dark enough to be seen without it; and where a fill alone told rows, header or footer apart, a line. What print says
 * of type, room and paper stays.
 */
export function saveInk(given: ThemeView): Theme {
  let { theme } = given;
  const bright = viewOfChanged(given.in('').at(''), theme).in('');
  const set = (place: Place, property: Property['name'], text: string): void => {
    theme = setValue(theme, { part: place.part, condition: place.condition, mode: 'print' }, property, text);
  };
  for (const place of places)
    for (const property of propertiesOf(place.part)) {
      const value = bright.valueAt(place, property);
      const text = value && onWhite(place, property, value);
      if (text !== undefined) set(place, property.name, text);
    }
  const isFilled = (place: Place): boolean => {
    const fill = resolveAt(bright, place, 'fill');
    return fill.kind === 'colour' && fill.rgba.alpha > 0 && contrast(blend(fill.rgba, WHITE), WHITE) > 1.02;
  };
  const isDrawn = (name: Property['name']): boolean => {
    const line = resolveAt(bright, LINES, name);
    return line.kind === 'line' && line.style !== 'none' && line.style !== 'hidden' && line.rgba.alpha > 0;
  };
  const fillOf = (condition: 'odd' | 'even'): string => resolveAt(bright, { ...BODY, condition }, 'fill').css;
  if (fillOf('odd') !== fillOf('even') && !isDrawn('rows')) set(LINES, 'rows', LINE);
  if (isFilled({ part: 'column-headers', condition: 'rest' }) && !isDrawn('under-header')) set(LINES, 'under-header', STRONG);
  if (isFilled({ part: 'footer', condition: 'rest' }) && !isDrawn('above-footer')) set(LINES, 'above-footer', STRONG);
  return theme;
}

/** What a value is on white paper; undefined where it can stay as it is. What a pointer brings is never printed. */
function onWhite({ part, condition }: Place, { name, kind }: Property, value: Value): string | undefined {
  const isHand = conditionOf(condition).tier === 'hand' && condition !== 'selected';
  if (isHand || (partOf(part).box === 'around' && part !== 'info-line' && part !== 'empty-message')) return undefined;
  if (name === 'fill') return value.css === 'transparent' ? undefined : 'none';
  if (kind === 'picture' || kind === 'shadow') return value.css === 'none' ? undefined : 'none';
  if (value.kind === 'colour') return darkened(value.rgba, READ);
  if (value.kind !== 'line' || value.style === 'none' || value.style === 'hidden') return undefined;
  const colour = darkened(value.rgba, SEEN);
  return colour && (kind === 'bar' ? `${value.width}px ${colour}` : `${value.width}px ${value.style} ${colour}`);
}

/** How light an ink is at least that was made for a dark ground; and how light it is on paper, in OKLCH. */
const [FOR_DARK, ON_PAPER] = [0.75, 0.3] as const;

/** The colour, or the nearest of its hue that has so much on white; undefined where it has. One for dark grounds is as dark as others are. */
function darkened(colour: Rgba, least: number): string | undefined {
  const seen = blend(colour, WHITE);
  if (contrast(seen, WHITE) >= least) return undefined;
  const { l, c, h } = toLch(seen);
  if (least === READ && l > FOR_DARK) return toHex(shade(ON_PAPER, c, h));
  return toHex(nearestPassing({ ...seen, alpha: 1 }, WHITE, least) ?? BLACK);
}
