/** Formats in which a table's content can be taken away. */
export const dataFormats = [
  { name: 'csv', label: 'CSV', type: 'text/csv' },
  { name: 'xlsx', label: 'Workbook, XLSX', type: 'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet' },
  { name: 'ods', label: 'Workbook, ODS', type: 'application/vnd.oasis.opendocument.spreadsheet' },
  { name: 'json', label: 'JSON', type: 'application/json' },
  { name: 'md', label: 'Markdown', type: 'text/markdown' },
] as const;
export type DataFormat = (typeof dataFormats)[number]['name'];
