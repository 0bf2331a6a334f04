import { families } from './families';

/**
 * Font stacks by character: each starts with the faces that the large systems ship for that character
 * and ends in a generic family (CSS Fonts 4, section 2.1.3), so nothing has to be loaded.
 */
const stacks = [
  { name: 'system', label: 'The reader’s own system', stack: 'system-ui, sans-serif' },
  { name: 'humanist', label: 'Open and warm', stack: 'Seravek, Candara, Ubuntu, Calibri, "Source Sans Pro", "DejaVu Sans", sans-serif' },
  { name: 'grotesque', label: 'Plain and even', stack: '"Helvetica Neue", Arial, "Liberation Sans", "Nimbus Sans", sans-serif' },
  { name: 'geometric', label: 'Round and drawn', stack: '"Avenir Next", Avenir, Montserrat, Corbel, "URW Gothic", sans-serif' },
  { name: 'serif', label: 'Bookish', stack: 'Charter, "Bitstream Charter", "Sitka Text", Cambria, "Liberation Serif", serif' },
  { name: 'oldstyle', label: 'Old style', stack: '"Iowan Old Style", "Palatino Linotype", Palladio, "URW Palladio L", P052, serif' },
  { name: 'slab', label: 'Slab', stack: 'Rockwell, "Rockwell Nova", "Roboto Slab", "DejaVu Serif", serif' },
  { name: 'mono', label: 'Every letter as wide', stack: 'ui-monospace, Menlo, Consolas, "Liberation Mono", "DejaVu Sans Mono", monospace' },
] as const;

/** Every font that a theme can name: the stacks, which need no file, then the shipped families. */
export const fonts: readonly { readonly name: string; readonly label: string; readonly stack: string }[] = [
  ...stacks,
  ...families.map(({ name, label, family, instead }) => ({ name, label, stack: `"${family}", ${instead}` })),
];

const generics = ['serif', 'sans-serif', 'monospace', 'cursive', 'fantasy', 'system-ui', 'ui-serif', 'ui-sans-serif', 'ui-monospace', 'ui-rounded'];

/**
 * The CSS for a font value: one of our stacks by name, or the page's own families as a list that ends in
 * a generic one (`Brand Sans, sans-serif`). Undefined for anything else.
 */
export function fontStack(text: string): string | undefined {
  const named = fonts.find(({ name }) => name === text.toLowerCase());
  if (named) return named.stack;
  const families = text.split(',').map((family) => family.trim().replace(/^(["'])(.*)\1$/, '$2'));
  const last = families.at(-1)?.toLowerCase() ?? '';
  if (!generics.includes(last)) return undefined;
  if (!families.every((family) => /^[\p{L}\p{N}][\p{L}\p{N} ._-]{0,60}$/u.test(family))) return undefined;
  return families.map((family) => (generics.includes(family.toLowerCase()) ? family.toLowerCase() : `"${family}"`)).join(', ');
}
