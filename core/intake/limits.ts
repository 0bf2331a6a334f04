/** Most bytes that a file of separated text may have, and one of any other kind: these take many times their size to be read. */
export const FILE_MOST = 128 * 1024 * 1024;
export const OTHER_MOST = 32 * 1024 * 1024;
