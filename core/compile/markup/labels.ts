import { gridOf, headerRole, headersOf, isGroupHeading, isUnevenRow, shownTable, widthOf, type GridCell, type Table } from '../../table';
import type { ThemeView } from '../../theme';
import { isStacked } from '../rules/arrangement-rules';
import { byWidth } from '../sheet/when/by-width';
import { contract } from './contract';
import { rule, type CssNode } from '../sheet/stylesheet';

/** What stands beside a cell where rows are stacked: the names of its column, those of its tiers joined; empty for none. */
export function labelOf(table: Table, cell: GridCell): string {
  if (cell.section === 'header' || headerRole(table, cell).tag === 'th' || isGroupHeading(table, cell.row)) return '';
  const above = headersOf(table, cell).filter(({ section }) => section === 'header');
  const names = [...new Set([...above].sort((a, b) => a.row - b.row || a.column - b.column).map(({ text }) => text.trim()))];
  return names.filter(Boolean).join(', ');
}

/** Whether a cell's label can come from a rule for its column: it stands at the column's place in its row. */
export const isPlain = (table: Table, cell: GridCell): boolean => cell.section === 'body' && !isUnevenRow(table, cell.row);

const kept = new WeakMap<Table, readonly string[] | undefined>();

/**
 * The labels that rules can bring, by column of what is shown: those of a table whose plain cells all have their column's.
 * Undefined where the markup has to bring them, since something else is drawn before a cell's text.
 */
export function columnLabels(whole: Table): readonly string[] | undefined {
  if (!kept.has(whole)) kept.set(whole, readLabels(shownTable(whole)));
  return kept.get(whole);
}

function readLabels(table: Table): readonly string[] | undefined {
  if (table.exceptions.some(({ values }) => values.icon !== undefined)) return undefined;
  const labels = new Array<string | undefined>(widthOf(table)).fill(undefined);
  for (const cell of gridOf(table).rows.flat()) {
    if (!isPlain(table, cell) || headerRole(table, cell).tag === 'th' || isGroupHeading(table, cell.row)) continue;
    const label = labelOf(table, cell);
    if ((labels[cell.column] ??= label) !== label) return undefined;
  }
  return labels.some(Boolean) ? labels.map((label) => label ?? '') : undefined;
}

/**
 * Rules that bring the labels of a stacked table, at the widths at which its theme stacks it: a label for each cell in the markup
 * would be most of a long table. They are seen and not heard, since cells have their headers (CSS Generated Content 3,
 * section 2.1.2; browsers without that hear them twice).
 */
export function labelRules(view: ThemeView, table: Table, selector: string): readonly CssNode[] {
  const labels = columnLabels(table);
  if (!labels) return [];
  const cells = `${selector}>.${contract.named}>tbody>tr:not(.${contract.uneven})>td`;
  const notHeading = `:not(.${contract.heading})`;
  return byWidth(view, (at) =>
    isStacked(at)
      ? [
          rule(`${cells}::before`, ['float', 'inline-start'], ['margin-inline-end', '1em']),
          ...labels.flatMap((label, column) =>
            label === ''
              ? []
              : [rule(`${cells}:nth-child(${column + 1})${notHeading}::before`, ['content', quoted(label)], ['content', `${quoted(label)}/""`])],
          ),
        ]
      : [],
  );
}

/** A text as a string in CSS (CSS Syntax 3, section 4.3.5). */
const quoted = (text: string): string => `"${text.replace(/[\u0000-\u001f"\\<\u007f]/g, (char) => `\\${char.charCodeAt(0).toString(16)} `)}"`;
