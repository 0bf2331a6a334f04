export { withBases, type FiledTheme } from './filed';
export { readThemeFile, type ThemesRead } from './read-theme-file';
export { picturesOf, themeFile, type FileOut } from './write-theme-file';
