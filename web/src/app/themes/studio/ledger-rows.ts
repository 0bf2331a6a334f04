import { toHex, WHITE, blend, type Rgba } from '../../../../../core/colour';
import { placeInWords } from '../../../../../core/edit';
import { readability, type Readability } from '../../../../../core/paint';
import { resolve, type Link, type Resolved } from '../../../../../core/resolve';
import {
  bundleText,
  bundles,
  propertiesOf,
  propertyOf,
  starterOf,
  type ConditionName,
  type PartName,
  type Property,
  type PropertyName,
  type Slot,
  type Theme,
} from '../../../../../core/theme';
import { sidesOf, type RowName } from './studio-state';

export interface LedgerRow {
  readonly name: RowName;
  readonly label: string;
  readonly group: string;
  /** For a row that stands for several sides. */
  readonly bundle: boolean;
  /** For one side of a bundle. */
  readonly side: boolean;
}

export interface LedgerCell {
  readonly text: string;
  /** Set here by the theme itself. */
  readonly own: boolean;
  readonly from: string;
  readonly colour?: string;
  readonly contrast?: Readability;
}

/** The rows of a part's ledger: each property, with those that have sides under one row that can be opened. */
export function ledgerRows(part: PartName, opened: ReadonlySet<string>): readonly LedgerRow[] {
  return propertiesOf(part).flatMap((property): LedgerRow[] => {
    const bundle = bundles.find(({ sides }) => (sides as readonly string[]).includes(property.name));
    const own: LedgerRow = { name: property.name, label: property.label, group: property.group, bundle: false, side: bundle !== undefined };
    if (!bundle) return [own];
    const head: LedgerRow[] =
      bundle.sides[0] === property.name ? [{ name: bundle.name, label: bundle.label, group: property.group, bundle: true, side: false }] : [];
    return opened.has(bundle.name) ? [...head, own] : head;
  });
}

const slotFor = (part: PartName, condition: ConditionName): Slot => ({ part, conditions: condition === 'rest' ? [] : [condition] });

export const resolvedAt = (theme: Theme, part: PartName, condition: ConditionName, property: PropertyName): Resolved =>
  resolve(theme, slotFor(part, condition), property);

export function ledgerCell(theme: Theme, part: PartName, condition: ConditionName, row: RowName): LedgerCell {
  const resolved = sidesOf(row).map((side) => resolvedAt(theme, part, condition, side));
  const first = resolved[0];
  if (!first) throw new RangeError(`The row ${row} has no property`);
  const bundle = bundles.find(({ name }) => name === row);
  const isOwn = ({ from }: Resolved): boolean => from.source === 'theme' && from.place?.part === part && from.place.condition === condition;
  return {
    text: bundle
      ? bundleText(
          bundle,
          resolved.map(({ text }) => text),
        )
      : first.text,
    own: resolved.some(isOwn),
    from: sourceInWords(theme, first.from),
    colour: chip(first.value.kind === 'colour' || first.value.kind === 'line' ? first.value.rgba : undefined),
    contrast: row === 'ink' ? readability(theme, slotFor(part, condition)) : undefined,
  };
}

const chip = (rgba: Rgba | undefined): string | undefined => (rgba && rgba.alpha > 0 ? toHex(blend(rgba, WHITE)) : undefined);

/** Where a value comes from, as the ledger and the why panel say it. */
export function sourceInWords(theme: Theme, { source, place }: Link): string {
  if (!place) return 'nothing set';
  const where = placeInWords(place);
  if (source === 'theme') return where;
  return source === 'base' ? `${where}, in ${starterOf(theme.base).name}` : `${where}, as every theme starts`;
}

export const kindOf = (row: RowName): Property['kind'] => propertyOf(sidesOf(row)[0] ?? 'fill').kind;
