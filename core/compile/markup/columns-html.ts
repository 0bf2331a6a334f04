import { columnGroups, cssWidths, shownTable, widthOf, type Table } from '../../table';
import { rule, type CssNode } from '../sheet/stylesheet';
import { element, type Element } from './markup';

/** Column groups of the header's tiers, with the columns in them where one has a width. */
export function columnElements(table: Table, { inline }: { readonly inline?: boolean }): readonly Element[] {
  const widths = cssWidths(table);
  const groups = columnGroups(table);
  if (widths.every((width) => width === undefined)) return groups.map(({ columns }) => element('colgroup', { span: columns }));
  const all = groups.length > 0 ? groups : [{ column: 0, columns: widthOf(table) }];
  return all.map(({ column, columns }) =>
    element(
      'colgroup',
      {},
      ...widths.slice(column, column + columns).map((width) => element('col', { style: inline && width ? `width: ${width}` : undefined })),
    ),
  );
}

/**
 * Rules for the table that `selector` names: its columns' widths. For pages whose policy forbids styles in the markup;
 * elsewhere `inline` writes them there.
 */
export function tableRules(whole: Table, selector: string): readonly CssNode[] {
  const table = shownTable(whole);
  const groups = columnGroups(table);
  const places = groups.length > 0 ? groups : [{ column: 0, columns: widthOf(table) }];
  const rules = cssWidths(table).flatMap((width, column): readonly CssNode[] => {
    if (width === undefined) return [];
    const group = places.findIndex((each) => column >= each.column && column < each.column + each.columns);
    const at = `colgroup:nth-of-type(${group + 1})>col:nth-child(${column - (places[group]?.column ?? 0) + 1})`;
    return [rule(`${selector}>${at}`, ['width', width])];
  });
  return rules;
}
