import { type ThemeView } from '../../theme';
import { familyOf } from './families';
import { contract } from '../markup/contract';
import { walk, type CssNode, type Declaration, type Stylesheet } from './stylesheet';

/** The widths between which a sheet holds, in px: above the one, up to the other; neither for all. */
interface Range {
  readonly above: number | undefined;
  readonly upTo: number | undefined;
}

/** Rules of one stretch of widths: from which step's sheet, and of each family the declarations from the one to the other, as they are counted. */
interface Block {
  readonly from: number;
  readonly to: number;
  readonly families: Map<string, readonly [from: number, to: number]>;
}

/**
 * One stylesheet from those of a theme's width steps, with container queries (CSS Containment 3, section 4). Of each family of
 * properties, what all steps begin with is said once; from where they differ on, the rest of each stands in blocks that exclude
 * each other, and neighbours that go on alike share one. So at every width precisely what that step's own stylesheet says
 * holds, in its order, whichever rule is stronger; and browsers weigh few rules that do not hold.
 */
export function byWidth(view: ThemeView, sheetAt: (at: ThemeView) => Stylesheet): Stylesheet {
  const steps = view.steps.filter(({ differs }) => differs);
  if (steps.length === 0) return sheetAt(view);
  const sheets = [sheetAt(view), ...steps.map(({ name }) => sheetAt(view.at(name)))];
  const ranges = sheets.map((_, i): Range => ({ above: steps[i]?.width, upTo: steps[i - 1]?.width }));
  const said = sheets.map(saidByFamily);
  const blocks = new Map<string, Block>();
  const share = (family: string, from: number, to: number, start: number): void => {
    const lists = said.slice(from, to + 1).map((each) => each.get(family) ?? []);
    let end = start;
    while (lists.every((list) => list[end] !== undefined && list[end] === lists[0]?.[end])) end++;
    if (end > start) {
      const block = blocks.get(`${from} ${to}`) ?? { from, to, families: new Map() };
      blocks.set(`${from} ${to}`, block);
      block.families.set(family, [start, end]);
    }
    for (let at = from; at <= to;) {
      const next = lists[at - from]?.[end];
      let last = at;
      while (last < to && lists[last + 1 - from]?.[end] === next) last++;
      if (next !== undefined) share(family, at, last, end);
      at = last + 1;
    }
  };
  for (const family of new Set(said.flatMap((each) => [...each.keys()]))) share(family, 0, sheets.length - 1, 0);
  // What more steps share comes first, since it is what the others go on from.
  return [...blocks.values()]
    .sort((a, b) => b.to - b.from - (a.to - a.from) || a.from - b.from)
    .flatMap(({ from, to, families }): readonly CssNode[] => {
      const counted = new Map<string, number>();
      const rules = only(sheets[from] ?? [], (family) => {
        const at = counted.get(family) ?? 0;
        counted.set(family, at + 1);
        const [first, end] = families.get(family) ?? [0, 0];
        return at >= first && at < end;
      });
      if (from === 0 && to === sheets.length - 1) return rules;
      return [{ kind: 'container', query: `${contract.container} ${queryOf({ above: ranges[to]?.above, upTo: ranges[from]?.upTo })}`, rules }];
    });
}

function queryOf({ above, upTo }: Range): string {
  if (above === undefined) return `(width<=${upTo}px)`;
  return upTo === undefined ? `(width>${above}px)` : `(${above}px<width<=${upTo}px)`;
}

/** All that a sheet says of each family of properties, in its order, to be compared. */
function saidByFamily(sheet: Stylesheet): ReadonlyMap<string, readonly string[]> {
  const said = new Map<string, string[]>();
  walk(sheet, (selector, declarations, within) => {
    for (const [property, value] of declarations) {
      const family = familyOf(property);
      const list = said.get(family) ?? [];
      said.set(family, list);
      list.push(`${within}{${selector}{${property}:${value}`);
    }
  });
  return said;
}

/** A sheet's declarations of some families, without rules in which none is left. Each is asked for once, in the order in which they stand. */
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
