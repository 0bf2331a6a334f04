import { unzipSync } from 'fflate';

export const startsWith = (bytes: Uint8Array, ...first: readonly number[]): boolean => first.every((byte, i) => bytes[i] === byte);
export const isZip = (bytes: Uint8Array): boolean => startsWith(bytes, 0x50, 0x4b, 3, 4);

/** What the directory of a ZIP file says (APPNOTE 4.3.12), of which nothing is unpacked; undefined for what is none. */
function directoryOf(bytes: Uint8Array): readonly { readonly name: string; readonly originalSize: number }[] | undefined {
  if (!isZip(bytes)) return undefined;
  const entries: { name: string; originalSize: number }[] = [];
  try {
    unzipSync(bytes, {
      filter: ({ name, originalSize }) => {
        entries.push({ name, originalSize });
        return false;
      },
    });
  } catch {
    // A file that is cut off has lost its directory, or part of it.
  }
  return entries;
}

/** What the entries of a ZIP file come to when they are unpacked, in bytes, as its directory says; 0 for what is none. */
export const unpackedSize = (bytes: Uint8Array): number => (directoryOf(bytes) ?? []).reduce((sum, { originalSize }) => sum + originalSize, 0);

/** Names of the entries, as far as the directory has them: enough to tell what kind of package it is. Undefined for what is no ZIP file. */
export const entryNames = (bytes: Uint8Array): readonly string[] | undefined => directoryOf(bytes)?.map(({ name }) => name);
