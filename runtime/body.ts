import { sortHeaders, unitsOf, type Unit } from './units';

/** The rows of a table as features see them, and what they stand in. */
export interface Body {
  readonly table: HTMLTableElement;
  readonly units: readonly Unit[];
  readonly headings: ReadonlyMap<HTMLTableSectionElement, HTMLTableRowElement>;
  readonly groups: readonly HTMLTableSectionElement[];
  /** In which column each header cell starts that rows can be sorted or filtered by. */
  readonly headers: ReadonlyMap<HTMLTableCellElement, number>;
}

export const bodyOf = (table: HTMLTableElement): Body => ({ table, ...unitsOf(table), groups: [...table.tBodies], headers: sortHeaders(table) });

/**
 * Brings rows to the front of their groups, in order; those that are hidden need none. Groups of which nothing is shown are not
 * there, so that first and last, and the lines between groups, are right.
 */
export function place({ table, groups, headings }: Body, shown: Iterable<Unit>): void {
  const next = new Map<HTMLTableSectionElement, ChildNode | null>();
  for (const { group, rows } of shown) {
    const heading = headings.get(group);
    let before = next.get(group);
    if (before === undefined) before = heading ? heading.nextSibling : group.firstChild;
    for (const row of rows) {
      if (before === row) before = row.nextSibling;
      else group.insertBefore(row, before);
    }
    next.set(group, before);
  }
  let after: Element | null = table.tFoot;
  for (const group of [...groups].reverse()) {
    if (!next.has(group)) group.remove();
    else {
      if (!group.isConnected || group.nextElementSibling !== after) table.insertBefore(group, after);
      after = group;
    }
  }
}
