import { isInSrgb, parseColour, toHex } from '../colour';
import { fieldOf, type ColourValue } from './format';

/** Spaces that swatches can be said in too, with what CSS calls their functions (CSS Color 4, sections 7 to 10). */
const functions = new Map<string, string>([
  ['hsl', 'hsl'],
  ['hwb', 'hwb'],
  ['lab', 'lab'],
  ['lch', 'lch'],
  ['oklab', 'oklab'],
  ['oklch', 'oklch'],
]);
const PERCENT = new Set(['hsl', 'hwb']);

const part = (text: string): number | 'none' => (text === 'none' ? 'none' : Number.parseFloat(text));

/** A CSS colour as a token has it, in the space in which it was said; undefined where that is none that a token has a word for. */
export function colourValue(text: string): ColourValue | undefined {
  const found = /^(hsl|hwb|lab|lch|oklab|oklch)\(\s*([^()/]+?)\s*(?:\/\s*([\d.]+%?)\s*)?\)$/i.exec(text.trim());
  const parts = found?.[2]?.split(/[\s,]+/) ?? [];
  if (found && parts.length === 3) {
    const [, space = ''] = found;
    const lower = space.toLowerCase();
    // A share of a lightness is of 1 in the OK spaces (CSS Color 4, section 9.2).
    const isOk = lower.startsWith('ok');
    const components = parts.map((each) => (isOk && each.endsWith('%') ? (part(each) === 'none' ? 'none' : Number(part(each)) / 100) : part(each)));
    const isShare = (each: string, i: number): boolean => each.endsWith('%') && !(isOk && i === 0) && !PERCENT.has(lower) && i > 0;
    if (!parts.some(isShare) && components.every((each) => each === 'none' || Number.isFinite(each)))
      return { colorSpace: lower, components, ...alphaOf(found[3]) };
  }
  const colour = parseColour(text);
  if (!colour) return undefined;
  const { r, g, b, alpha } = colour;
  return { colorSpace: 'srgb', components: [r, g, b].map(round), ...(alpha < 1 ? { alpha: round(alpha) } : {}), hex: toHex({ ...colour, alpha: 1 }) };
}
const round = (n: number): number => Math.round(n * 100_000) / 100_000;
const alphaOf = (text: string | undefined): { readonly alpha?: number } => {
  if (text === undefined) return {};
  const amount = Number.parseFloat(text) / (text.endsWith('%') ? 100 : 1);
  return amount < 1 ? { alpha: amount } : {};
};

/** The colour of a token as CSS, in its own space; or a sentence why it cannot be a swatch here. Hex texts, as older drafts had them, are taken. */
export function colourText(value: unknown): { readonly text: string } | { readonly say: string } {
  if (typeof value === 'string') return parseColour(value) ? { text: value.trim() } : { say: `“${value.slice(0, 60)}” is no colour.` };
  const [space, components, alpha = 1] = [fieldOf(value, 'colorSpace'), fieldOf(value, 'components'), fieldOf(value, 'alpha')];
  const areParts = (all: unknown): all is readonly (number | 'none')[] =>
    Array.isArray(all) && all.length === 3 && all.every((each) => each === 'none' || (typeof each === 'number' && Number.isFinite(each)));
  if (typeof space !== 'string' || !areParts(components) || typeof alpha !== 'number' || !(alpha >= 0 && alpha <= 1))
    return { say: 'A colour has a colorSpace, three components, and an alpha from 0 to 1.' };
  const tail = alpha < 1 ? ` / ${alpha}` : '';
  if (space === 'srgb') {
    const [r = 0, g = 0, b = 0] = components.map((each) => (each === 'none' ? 0 : each));
    if ([r, g, b].some((each) => each < 0 || each > 1)) return { say: 'This sRGB colour lies outside of what screens of sRGB show.' };
    const hex = toHex({ r, g, b, alpha });
    // What bytes cannot say stays what it is.
    const isBytes = [r, g, b].every((each) => Math.abs(each * 255 - Math.round(each * 255)) < 0.01) && alpha === 1;
    return { text: isBytes ? hex : `rgb(${[r, g, b].map((each) => `${round(each * 100)}%`).join(' ')}${tail})` };
  }
  const name = functions.get(space);
  if (name === undefined)
    return { say: `Colours in ${space} would become others here: swatches are told in sRGB, HSL, HWB, Lab, LCH, OKLab or OKLCH.` };
  const texts = components.map((each, i) => (PERCENT.has(space) && i > 0 && each !== 'none' ? `${each}%` : String(each)));
  const text = `${name}(${texts.join(' ')}${tail})`;
  if (!parseColour(text)) return { say: `“${text}” is no colour.` };
  return isInSrgb(text) ? { text } : { say: `“${text}” lies outside of what screens of sRGB show, and would become another colour.` };
}
