import { closest } from 'fastest-levenshtein';
import { fade, parseColour, type Rgba } from '../colour';
import { bad, good, type Outcome } from '../outcome';
import type { Swatch } from './theme';

/** Another swatch by its name, with a share or whole. */
export const SWATCH_REFERENCE = /^([a-z][a-z0-9-]{0,39})(?: (\d{1,3}(?:\.\d+)?)%)?$/;

/** Whether a swatch's colour is said by another swatch: a name that is none of CSS's own colours. */
export const refersToSwatch = (text: string): boolean => parseColour(text) === undefined && SWATCH_REFERENCE.test(text);

/**
 * What each swatch comes to. One may refer to another (`deep 9%`); the way is kept in hand, so that swatches
 * which refer to each other in a loop are told with the whole loop.
 */
export function readSwatches(swatches: readonly Swatch[]): ReadonlyMap<string, Outcome<Rgba>> {
  const byName = new Map(swatches.map((swatch) => [swatch.name, swatch]));
  const found = new Map<string, Outcome<Rgba>>();
  const read = (name: string, path: readonly string[]): Outcome<Rgba> => {
    const known = found.get(name);
    if (known) return known;
    if (path.includes(name)) return loop([...path.slice(path.indexOf(name)), name]);
    const swatch = byName.get(name);
    if (!swatch) return unknown(name, [...byName.keys()]);
    const plain = parseColour(swatch.colour);
    if (plain) return good(plain);
    const [, other = '', share = '100'] = SWATCH_REFERENCE.exec(swatch.colour) ?? [];
    if (other === '')
      return bad({ code: 'swatch-colour', say: `“${swatch.colour}” is not a colour.`, remedy: 'Write one such as #eef5f6.', at: name });
    const under = read(other, [...path, name]);
    return under.ok ? good(fade(under.value, Number(share) / 100)) : under;
  };
  for (const { name } of swatches) found.set(name, read(name, []));
  return found;
}

const loop = (names: readonly string[]): Outcome<never> =>
  bad({
    code: 'swatch-loop',
    say: `These swatches refer to each other in a loop: ${names.join(' → ')}.`,
    remedy: 'Give one of them a colour of its own.',
    at: names[0],
  });

const unknown = (name: string, names: readonly string[]): Outcome<never> =>
  bad({
    code: 'swatch-gone',
    say: `There is no swatch “${name}”.`,
    remedy: names.length > 0 ? `Did you mean ${closest(name, names)}?` : 'Give it a colour.',
  });
