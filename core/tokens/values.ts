import type { ThemeView } from '../theme';
import { propertyOf, type PropertyName } from '../theme';
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

/** A text of the ledger as a token's value; undefined where tokens have no word for it. */
export function saidAs(property: PropertyName, text: string, view: ThemeView): Said | undefined {
  const { kind } = propertyOf(property);
  const length = dimension(text);
  switch (kind) {
    case 'colour': {
      const value = colour(text, view);
      return value === undefined ? undefined : { type: 'color', value };
    }
    case 'weight':
      return /^\d{1,4}$/.test(text) ? { type: 'fontWeight', value: Number(text) } : undefined;
    case 'leading':
      return /^\d*\.?\d+$/.test(text) ? { type: 'number', value: Number(text) } : length && { type: 'dimension', value: length };
    case 'family': {
      const read = view.read(propertyOf(property), text);
      return read.ok && read.value.kind === 'word'
        ? { type: 'fontFamily', value: read.value.css.split(',').map((each) => each.trim().replace(/^"(.*)"$/, '$1')) }
        : undefined;
    }
    case 'line': {
      const [, width = '', style = '', ink = ''] = /^(\S+) (solid|dashed|dotted|double|groove|ridge|outset|inset) (.+)$/.exec(text) ?? [];
      const [size, value] = [dimension(width), ink === '' ? undefined : colour(ink, view)];
      return size && value !== undefined ? { type: 'border', value: { color: value, width: size, style } } : undefined;
    }
    default:
      return length && { type: 'dimension', value: length };
  }
}

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
