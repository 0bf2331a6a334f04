import { familyOf } from '../families';
import { walk, type CssNode, type Declaration, type Stylesheet } from '../stylesheet';

/** Rules of some of the sheets: of which, and of each family the declarations from the one to the other, as they are counted. */
interface Block {
  readonly members: readonly number[];
  readonly families: Map<string, readonly [from: number, to: number]>;
}

/**
 * One stylesheet from several of which one holds at a time. Of each family of properties, what all begin with is said once; from where
 * they differ on, the rest of each stands in blocks that exclude each other, and those that go on alike share one. So precisely what each
 * says holds where it does, in its order, whichever rule is stronger; and browsers weigh few rules that do not hold. `within` puts rules
 * into a block for some of the sheets, by their numbers; with `runs`, only neighbours share one.
 */
export function exclusive(
  sheets: readonly Stylesheet[],
  within: (members: readonly number[], rules: readonly CssNode[]) => readonly CssNode[],
  runs = false,
): Stylesheet {
  const said = sheets.map(saidByFamily);
  const blocks = new Map<string, Block>();
  const share = (family: string, members: readonly number[], start: number): void => {
    const lists = members.map((member) => said[member]?.get(family) ?? []);
    let end = start;
    while (lists.every((list) => list[end] !== undefined && list[end] === lists[0]?.[end])) end++;
    if (end > start) {
      const key = members.join(' ');
      const block = blocks.get(key) ?? { members, families: new Map() };
      blocks.set(key, block);
      block.families.set(family, [start, end]);
    }
    // Those that go on with the same declaration go on together.
    const left = members.map((member, i) => ({ member, next: lists[i]?.[end] }));
    while (left.length > 0) {
      const [first] = left;
      const alike = left.filter(({ next }, i) => next === first?.next && (!runs || left.slice(0, i).every((each) => each.next === first?.next)));
      for (const each of alike) left.splice(left.indexOf(each), 1);
      if (first?.next !== undefined)
        share(
          family,
          alike.map(({ member }) => member),
          end,
        );
    }
  };
  for (const family of new Set(said.flatMap((each) => [...each.keys()])))
    share(
      family,
      sheets.map((_, i) => i),
      0,
    );
  // What more of them share comes first, since it is what the others go on from.
  return [...blocks.values()]
    .sort((a, b) => b.members.length - a.members.length || (a.members[0] ?? 0) - (b.members[0] ?? 0))
    .flatMap(({ members, families }): readonly CssNode[] => {
      const counted = new Map<string, number>();
      const rules = only(sheets[members[0] ?? 0] ?? [], (family) => {
        const at = counted.get(family) ?? 0;
        counted.set(family, at + 1);
        const [first, end] = families.get(family) ?? [0, 0];
        return at >= first && at < end;
      });
      return members.length === sheets.length ? rules : within(members, rules);
    });
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
