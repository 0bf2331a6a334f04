import { PLAIN_FORMAT, isCounted, isNumericType, numberOptions } from '../../data-types';
import { isTotal, type GridCell, type Table } from '../../table';

/**
 * How a footer cell's total is worked out anew by a published page's script, over the rows that were found: its kind, and
 * what Intl needs to write it. Undefined for totals of days and times, which stay those of all rows.
 */
export function totalOnPage(table: Table, cell: GridCell): string | undefined {
  if (cell.section !== 'footer' || !isTotal(table, cell)) return undefined;
  const set = table.columns[cell.column];
  const kind = set?.total ?? '';
  if (!set || kind === '') return undefined;
  const type = set.type === '' ? 'number' : set.type;
  if (isCounted(kind)) return JSON.stringify({ is: kind });
  if (!isNumericType(type)) return undefined;
  const format = set.format ?? PLAIN_FORMAT;
  return JSON.stringify({
    is: kind,
    as: numberOptions(type, format),
    ...(type === 'percent' ? { of: 100 } : {}),
    ...(format.unit !== '' && type !== 'money' && type !== 'percent' ? { unit: format.unit } : {}),
    ...(format.negative === 'brackets' ? { brackets: 1 } : {}),
  });
}
