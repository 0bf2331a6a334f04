import type { ThemeView } from '../theme';
import { propertyOf, type PropertyName, type ValueKind } from '../theme';
import { colourText, colourValue } from './colours';
import { fieldOf, type Dimension } from './format';

/** A value as a token has it. */
export interface Said {
  readonly type: string;
  readonly value: unknown;
}

const DIMENSION = /^(-?\d*\.?\d+)(px|rem)$/;
const dimension = (text: string): Dimension | undefined => {
  if (text === '0') return { value: 0, unit: 'px' };
  const found = DIMENSION.exec(text);
  return found ? { value: Number(found[1]), unit: found[2] as 'px' | 'rem' } : undefined;
};

/** A swatch or a colour, as the value of a token of the type colour. */
function colour(text: string, view: ThemeView): unknown {
  if (view.colours.has(text)) return `{swatch.${text}}`;
  const share = /^([a-z][a-z0-9-]*) (\d+(?:\.\d+)?)%$/.exec(text);
  const read = view.colours.get(share?.[1] ?? '');
  if (share && read?.ok) {
    const { r, g, b, alpha } = read.value;
    const css = `rgb(${[r, g, b].map((each) => `${each * 100}%`).join(' ')} / ${(alpha * Number(share[2])) / 100})`;
    return colourValue(css);
  }
  return text === 'none' ? colourValue('rgb(0 0 0 / 0)') : colourValue(text);
}

type Saying = (text: string, view: ThemeView, property: PropertyName) => Said | undefined;
const asDimension: Saying = (text) => {
  const value = dimension(text);
  return value && { type: 'dimension', value };
};
const number =
  (type: string, test: RegExp): Saying =>
  (text) =>
    test.test(text) ? { type, value: Number(text) } : undefined;

const asColour: Saying = (text, view) => {
  const value = colour(text, view);
  return value === undefined ? undefined : { type: 'color', value };
};

/** Kinds of values that tokens have a type of their own for; of the others, lengths are dimensions. */
const sayings = new Map<ValueKind, Saying>([
  ['colour', asColour],
  ['ink', asColour],
  ['weight', number('fontWeight', /^\d{1,4}$/)],
  ['leading', (text, ...at) => number('number', /^\d*\.?\d+$/)(text, ...at) ?? asDimension(text, ...at)],
  [
    'family',
    (text, view, property) => {
      const read = view.read(propertyOf(property), text);
      if (!read.ok || read.value.kind !== 'word') return undefined;
      return { type: 'fontFamily', value: read.value.css.split(',').map((each) => each.trim().replace(/^"(.*)"$/, '$1')) };
    },
  ],
  [
    'line',
    (text, view) => {
      const [, width = '', style = '', ink = ''] = /^(\S+) (solid|dashed|dotted|double|groove|ridge|outset|inset) (.+)$/.exec(text) ?? [];
      const [size, value] = [dimension(width), ink === '' ? undefined : colour(ink, view)];
      return size && value !== undefined ? { type: 'border', value: { color: value, width: size, style } } : undefined;
    },
  ],
]);

/** A text of the ledger as a token's value; undefined where tokens have no word for it. */
export const saidAs = (property: PropertyName, text: string, view: ThemeView): Said | undefined =>
  (sayings.get(propertyOf(property).kind) ?? asDimension)(text, view, property);

/** The name of a swatch that a reference is to; undefined for anything else. */
export const swatchIn = (value: unknown): string | undefined =>
  typeof value === 'string' ? /^\{swatch\.([a-z][a-z0-9-]*)\}$/.exec(value)?.[1] : undefined;

/** A token's value as a text of the ledger; undefined where it is none. */
export function textOf({ type, value }: Said): string | undefined {
  const size = (each: unknown): string | undefined => {
    const [amount, unit] = [fieldOf(each, 'value'), fieldOf(each, 'unit')];
    return typeof amount === 'number' && Number.isFinite(amount) && (unit === 'px' || unit === 'rem')
      ? amount === 0
        ? '0'
        : `${amount}${unit}`
      : undefined;
  };
  const ink = (each: unknown): string | undefined => {
    const read = colourText(each);
    return swatchIn(each) ?? ('text' in read ? read.text : undefined);
  };
  switch (type) {
    case 'color':
      return ink(value);
    case 'dimension':
      return size(value);
    case 'fontWeight':
    case 'number':
      return typeof value === 'number' && Number.isFinite(value) ? String(value) : undefined;
    case 'fontFamily': {
      const names = (Array.isArray(value) ? value : [value]).filter((each) => typeof each === 'string');
      return names.length === 0 ? undefined : names.map((each) => (/^[\w-]+$/.test(each) ? each : `"${each.replace(/["\\]/g, '')}"`)).join(', ');
    }
    case 'border': {
      const [width, style, color] = [size(fieldOf(value, 'width')), fieldOf(value, 'style'), ink(fieldOf(value, 'color'))];
      return width !== undefined && typeof style === 'string' && color !== undefined ? `${width} ${style} ${color}` : undefined;
    }
    default:
      return undefined;
  }
}
