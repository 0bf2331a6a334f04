export { tableFile, themeFile, themeFiles, type ThemeFiles } from './hand-off';
export { dataFormats, type DataFormat } from './choices';
export { tableData } from './table-files';
