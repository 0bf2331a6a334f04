import { atStep, widthsOf, type Theme } from '../theme';
import { familyOf } from './families';
import { contract } from './selectors';
import { walk, type CssNode, type Declaration, type Stylesheet } from './stylesheet';

/** The widths between which a sheet holds, in px: above the one, up to the other; neither for all. */
interface Range {
  readonly above: number | undefined;
  readonly upTo: number | undefined;
}

/**
 * One stylesheet from those of a theme's width steps, with container queries (CSS Containment 3, section 4). What is the
 * same at all widths is said once. Where something about a CSS property differs anywhere, all that is said of that property
 * stands in blocks that exclude each other, whole and in its order: so at every width precisely what that step's own
 * stylesheet says holds, whichever rule is stronger.
 */
export function byWidth(theme: Theme, sheetOf: (at: Theme) => Stylesheet): Stylesheet {
  const steps = widthsOf(theme).filter(({ values }) => Object.keys(values).length > 0);
  if (steps.length === 0) return sheetOf(theme);
  const sheets = [sheetOf(theme), ...steps.map(({ name }) => sheetOf(atStep(theme, name)))];
  const ranges = sheets.map((_, i): Range => ({ above: steps[i]?.width, upTo: steps[i - 1]?.width }));
  const said = sheets.map(saidByFamily);
  const families = [...new Set(said.flatMap((each) => [...each.keys()]))];
  const differing = new Set(families.filter((family) => said.some((each) => each.get(family) !== said[0]?.get(family))));
  if (differing.size === 0) return sheets[0] ?? [];
  const common = only(sheets[0] ?? [], (family) => !differing.has(family));
  // Neighbours that say the same of a property share a block.
  const blocks = new Map<string, { readonly range: Range; readonly at: number; readonly families: Set<string> }>();
  for (const family of differing)
    for (let from = 0; from < sheets.length;) {
      let to = from;
      while (to + 1 < sheets.length && said[to + 1]?.get(family) === said[from]?.get(family)) to++;
      const key = `${from} ${to}`;
      const block = blocks.get(key) ?? { range: { above: ranges[to]?.above, upTo: ranges[from]?.upTo }, at: from, families: new Set<string>() };
      if (said[from]?.has(family)) block.families.add(family);
      blocks.set(key, block);
      from = to + 1;
    }
  const nodes = [...blocks.values()].flatMap(({ range, at, families: some }): readonly CssNode[] => {
    const rules = only(sheets[at] ?? [], (family) => some.has(family));
    return rules.length === 0 ? [] : [{ kind: 'container', query: `${contract.container} ${queryOf(range)}`, rules }];
  });
  return [...common, ...nodes];
}

function queryOf({ above, upTo }: Range): string {
  if (above === undefined) return `(width<=${upTo}px)`;
  return upTo === undefined ? `(width>${above}px)` : `(${above}px<width<=${upTo}px)`;
}

/** All that a sheet says of each family of properties, in its order, to be compared. */
function saidByFamily(sheet: Stylesheet): ReadonlyMap<string, string> {
  const said = new Map<string, string>();
  walk(sheet, (selector, declarations, within) => {
    for (const [property, value] of declarations) {
      const family = familyOf(property);
      said.set(family, `${said.get(family) ?? ''}${within}{${selector}{${property}:${value}`);
    }
  });
  return said;
}

/** A sheet's declarations of some families, without rules in which none is left. */
function only(sheet: Stylesheet, isMeant: (family: string) => boolean): Stylesheet {
  return sheet.flatMap((node): readonly CssNode[] => {
    if (node.kind !== 'rule') {
      const rules = only(node.rules, isMeant);
      return rules.length === 0 ? [] : [{ ...node, rules }];
    }
    const declarations = node.declarations.filter(([property]: Declaration) => isMeant(familyOf(property)));
    return declarations.length === 0 ? [] : [{ ...node, declarations }];
  });
}
