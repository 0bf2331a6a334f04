export { tableFile, themeFile, themeFiles, type ThemeFiles } from './hand-off';
export { clipboardOf } from './clipboard';
export { dataFormats, type DataFormat } from './data-formats';
export { tableData } from './table-files';
