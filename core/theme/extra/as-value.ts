import { isInSrgb, parseColour, toHex } from '../../colour';
import type { ConditionName } from '../catalogue/conditions';
import type { PartName } from '../catalogue/parts';
import { canBeSet, propertiesOf, type Property, type PropertyName } from '../catalogue/properties';
import { offersFor, readValue } from '../values/values';
import { ground } from '../starters/ground';
import type { Vocabulary } from '../values/reading';
import type { ExtraDeclaration } from './extra';

/** A value as the ledger has it. */
export interface LedgerValue {
  readonly property: PropertyName;
  readonly text: string;
}

/** What a declaration says in the ledger's words at a place, or undefined where the ledger cannot say it. */
export function asValue(
  part: PartName,
  condition: ConditionName,
  [name, value]: ExtraDeclaration,
  swatches: ReadonlySet<string>,
): LedgerValue | undefined {
  const property = propertiesOf(part).find((each) => says(each, name) && canBeSet(each, condition));
  if (property === undefined) return undefined;
  const isColour = property.kind === 'colour' || property.kind === 'ink';
  const text = isColour ? colourText(value, swatches) : value;
  if (text === undefined) return undefined;
  if (isColour) return { property: property.name, text };
  // The ledger has words of its own for what CSS calls otherwise: `as typed` is `none`.
  const words = [text, ...offersFor(property.kind)];
  const same = words.find((word) => {
    const read = readValue(property.kind, word, neutral);
    return read.ok && level(read.value.css) === level(value);
  });
  return same === undefined ? undefined : { property: property.name, text: same };
}

/** Properties that become that very CSS, and nothing else. */
const says = ({ css, group, kind }: Property, name: string): boolean =>
  css === name && group !== 'Rows' && kind !== 'line' && name !== 'margin-inline';

/** Values that refer to nothing of a theme. */
const neutral: Vocabulary = { swatches: new Map(), scale: ground.scale ?? { base: 16, ratio: 1, steps: [] } };

/** Numbers as they are written here, whatever way they were typed. */
const level = (css: string): string =>
  css
    .toLowerCase()
    .replace(/(^|[\s,(-])\.(?=\d)/g, '$10.')
    .replace(/\s*,\s*/g, ',');

/** A colour in the ledger's words: a swatch by its name, with a share of it, or as hex digits; undefined where it is neither. */
function colourText(value: string, swatches: ReadonlySet<string>): string | undefined {
  const [, name, share] =
    /^var\(\s*--([a-z][a-z0-9-]*)\s*\)$/.exec(value) ??
    /^color-mix\(\s*in srgb\s*,\s*var\(--([a-z][a-z0-9-]*)\)\s+(\d{1,3}(?:\.\d+)?)%\s*,\s*transparent\s*\)$/.exec(value) ??
    [];
  // Any other name is the page's.
  if (name !== undefined) return swatches.has(name) ? [name, ...(share === undefined ? [] : [`${share}%`])].join(' ') : undefined;
  if (/^transparent$/i.test(value)) return 'none';
  const colour = isInSrgb(value) ? parseColour(value) : undefined;
  return colour && toHex(colour);
}
