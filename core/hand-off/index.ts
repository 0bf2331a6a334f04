export { tableFile, themeFile } from './hand-off';
