import { familyOf } from '../families';
import { walk, type CssNode, type Declaration, type Stylesheet } from '../stylesheet';

/** Values that cannot be named: in a custom property they say where that itself comes from (CSS Cascade 5, section 7). */
const WIDE = new Set(['inherit', 'initial', 'unset', 'revert', 'revert-layer']);

/**
 * Sheets of which the first is bright and one, by its number, is dark, which say alike what differs in nothing but values: each pair of a bright
 * and a dark value gets a name, which the dark sheet defines and which falls back to the bright value where it does not hold (CSS
 * Variables 1, section 3). What says the same can then stand once, whatever comes after it. The names stand where the dark sheet has
 * its `color-scheme`, on all that the theme dresses; a dark sheet without that is left as it is, and so are swatches.
 */
export function withNamedValues(sheets: readonly Stylesheet[], darkAt: number): readonly Stylesheet[] {
  const [bright = [], dark = []] = [sheets[0], sheets[darkAt]];
  const place = dark.findIndex((node) => node.kind === 'rule' && node.declarations.some(([property]) => property === 'color-scheme'));
  if (darkAt < 1 || place < 0) return sheets;
  const names = new Map<string, string>();
  const definitions: Declaration[] = [];
  /** What is written in place of a bright value, by where it stands. */
  const written = new Map<string, string>();
  const inDark = new Map<string, string>();
  const [brights, darks] = [saidByFamily(bright), saidByFamily(dark)];
  const named = (value: string, other: string): string => {
    const pair = `${value}\n${other}`;
    const name = names.get(pair) ?? `--zp_${names.size + 1}`;
    if (!names.has(pair)) definitions.push([name, other]);
    names.set(pair, name);
    return `var(${name},${value})`;
  };
  for (const [family, said] of brights) {
    const there = darks.get(family) ?? [];
    if (said.length !== there.length || !said.every(({ at }, i) => at === there[i]?.at)) continue;
    said.forEach(({ at, value }, i) => {
      const other = there[i]?.value ?? value;
      if (other === value || WIDE.has(value) || WIDE.has(other)) return;
      const shared = alike(value, other, named);
      written.set(`${at}:${value}`, shared);
      inDark.set(`${at}:${other}`, shared);
    });
  }
  if (definitions.length === 0) return sheets;
  const inNames = replaced(dark, inDark).map((node, i) =>
    i === place && node.kind === 'rule' ? { ...node, declarations: [...node.declarations, ...definitions] } : node,
  );
  return sheets.map((sheet, i) => (i === darkAt ? inNames : replaced(sheet, written)));
}

/** Two values in one: what of them differs is named, a swatch alone where they differ in swatches only. */
function alike(value: string, other: string, named: (value: string, other: string) => string): string {
  const [parts, others] = [value.split(SWATCH), other.split(SWATCH)];
  const isSame = parts.length === others.length && parts.every((part, i) => i % 2 === 1 || part === others[i]);
  if (!isSame) return named(value, other);
  return parts.map((part, i) => (part === others[i] ? part : named(part, others[i] ?? part))).join('');
}
const SWATCH = /(var\(--zp-[^()]*\))/;

interface Said {
  /** The query, the selector and the property. */
  readonly at: string;
  readonly value: string;
}

/** All that a sheet says of each family of properties, in its order; a place that says two values in turn counts each. */
function saidByFamily(sheet: Stylesheet): ReadonlyMap<string, readonly Said[]> {
  const families = new Map<string, Said[]>();
  walk(sheet, (selector, declarations, within) => {
    for (const [property, value] of declarations) {
      if (property.startsWith('--zp-')) continue;
      const family = familyOf(property);
      const said = families.get(family) ?? [];
      families.set(family, said);
      said.push({ at: `${within}{${selector}{${property}`, value });
    }
  });
  return families;
}

function replaced(sheet: Stylesheet, values: ReadonlyMap<string, string>, within = ''): Stylesheet {
  return sheet.map((node): CssNode => {
    if (node.kind !== 'rule') return { ...node, rules: replaced(node.rules, values, `${within}@${node.kind} ${node.query}`) };
    const { selector } = node;
    return {
      ...node,
      declarations: node.declarations.map(([property, value]): Declaration => {
        return [property, values.get(`${within}{${selector}{${property}:${value}`) ?? value];
      }),
    };
  });
}
