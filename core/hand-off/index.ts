export { tableFile, themeFile, themeFiles, type ThemeFiles } from './hand-off';
