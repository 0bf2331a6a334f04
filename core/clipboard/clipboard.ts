import Papa from 'papaparse';
import { cellNodes, element, writeHtml } from '../compile';
import { textsOf, type Block } from '../table';

/** A block of cells as programs exchange them: a bare HTML table, and tab-separated text. */
export function clipboardOf({ rows, merges }: Block): { readonly html: string; readonly text: string } {
  const anchors = new Map(merges.map((merge) => [`${merge.row} ${merge.column}`, merge]));
  const covered = new Set(
    merges.flatMap(({ row, column, rows: down, columns }) =>
      Array.from({ length: down * columns }, (_, i) => `${row + Math.floor(i / columns)} ${column + (i % columns)}`).slice(1),
    ),
  );
  const lines = rows.map((cells, row) =>
    element(
      'tr',
      {},
      ...cells.flatMap((cell, column) => {
        const at = `${row} ${column}`;
        if (covered.has(at)) return [];
        const merge = anchors.get(at);
        const spans = { rowspan: merge && merge.rows > 1 ? merge.rows : undefined, colspan: merge && merge.columns > 1 ? merge.columns : undefined };
        return [element('td', spans, ...cellNodes(cell))];
      }),
    ),
  );
  return {
    html: writeHtml(element('table', {}, element('tbody', {}, ...lines)), 'compact'),
    text: Papa.unparse(rows.map(textsOf) as string[][], { delimiter: '\t', newline: '\n' }),
  };
}
