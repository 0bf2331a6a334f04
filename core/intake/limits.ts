/** Most bytes that a file may have. */
export const FILE_MOST = 32 * 1024 * 1024;
