import { columnGroups, gridOf, headerRole, sectionOf, type GridCell, type Section, type Table } from '../table';
import { element, textWithBreaks, type Element, type MarkupNode } from './markup';
import { contract } from './selectors';

export interface TableHtmlOptions {
  /** Key of the theme that dresses it; none leaves the table bare. */
  readonly theme?: string;
  /** A prefix that makes ids unique on the page. */
  readonly id: string;
  /** Conditions to hold open, by row of the grid: for previews only. */
  readonly held?: ReadonlyMap<number, string>;
  /** For previews: says which slot each cell starts in, so that a click can be told apart. */
  readonly slots?: boolean;
  readonly style?: string;
}

/** The table itself, as the markup contract says (docs/markup.md). */
export function tableElement(table: Table, options: TableHtmlOptions): Element {
  const { caption } = table;
  const children: MarkupNode[] = caption === '' ? [] : [element('caption', { id: `${options.id}-caption` }, ...textWithBreaks(caption))];
  children.push(...columnGroups(table).map(({ columns }) => element('colgroup', { span: columns })));
  for (const [tag, section] of [
    ['thead', 'header'],
    ['tbody', 'body'],
    ['tfoot', 'footer'],
  ] as const) {
    const rows = rowsOf(table, section, options);
    if (rows.length > 0) children.push(element(tag, {}, ...rows));
  }
  return element('table', { class: options.theme === undefined ? undefined : contract.theme(options.theme), style: options.style }, ...children);
}

/** The table in the frame that lets a wide one scroll: a named region that the keyboard reaches (WCAG 2.2, 2.1.1). */
export function framedTable(table: Table, options: TableHtmlOptions): Element {
  const name = table.caption === '' ? { 'aria-label': table.name } : { 'aria-labelledby': `${options.id}-caption` };
  return element('div', { class: contract.frame, role: 'region', ...name, tabindex: 0 }, tableElement(table, options));
}

function rowsOf(table: Table, section: Section, options: TableHtmlOptions): Element[] {
  return gridOf(table).rows.flatMap((cells, row) => {
    if (sectionOf(table, row) !== section) return [];
    return [element('tr', { [contract.held]: options.held?.get(row) }, ...cells.map((cell, i) => cellElement(table, cell, i === 0, options)))];
  });
}

function cellElement(table: Table, cell: GridCell, isFirst: boolean, { slots }: TableHtmlOptions): Element {
  const { tag, scope } = headerRole(table, cell);
  const classes = [isFirst && cell.column > 0 ? contract.inset : '', cell.isRowHeader && tag === 'td' ? contract.head : ''].filter(Boolean).join(' ');
  return element(
    tag,
    {
      class: classes || undefined,
      scope,
      rowspan: cell.rows > 1 ? cell.rows : undefined,
      colspan: cell.columns > 1 ? cell.columns : undefined,
      'data-slot': slots ? `${cell.row} ${cell.column}` : undefined,
    },
    ...textWithBreaks(cell.text),
  );
}
