import { framedTable, frameRule, themeCss, writeCss, writeHtml } from '../compile';
import type { Table } from '../table';
import type { Theme } from '../theme';

/** The theme's stylesheet as a file: everything that a dressed table needs beside its markup. */
export function themeFile(theme: Theme, key: string): string {
  const title = theme.name.replace(/[*/]/g, ' ');
  return `/* ${title}: put class="zp-${key}" on a table. Swatches are custom properties of that class. */\n${writeCss([frameRule, ...themeCss(theme, { key })])}`;
}

/** The table's markup as a file to be put into a page, in its frame. */
export const tableFile = (table: Table, key: string | undefined): string => `${writeHtml(framedTable(table, { id: 'table', theme: key }))}\n`;
