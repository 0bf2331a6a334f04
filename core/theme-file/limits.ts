/** Bytes that a file of themes has at most, packed and unpacked, and that one theme in it has. */
export const [THEME_FILE_MOST, THEME_FILE_UNPACKED_MOST, THEME_MOST] = [30_000_000, 60_000_000, 2_000_000] as const;
/** Themes in one file. */
export const THEMES_MOST = 1000;
