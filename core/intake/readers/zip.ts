import { Inflate, zipSync } from 'fflate';

export const startsWith = (bytes: Uint8Array, ...first: readonly number[]): boolean => first.every((byte, i) => bytes[i] === byte);
export const isZip = (bytes: Uint8Array): boolean => startsWith(bytes, 0x50, 0x4b, 3, 4);

/** An entry as the directory of a ZIP file has it (APPNOTE 4.3.12): sizes are what it says, and need not be true. */
interface Entry {
  readonly name: string;
  readonly method: number;
  /** Bytes that it has packed, and unpacked. */
  readonly packed: number;
  readonly unpacked: number;
  /** Where its own header begins. */
  readonly at: number;
}

const [DIRECTORY_END, DIRECTORY_ENTRY, LOCAL_HEADER] = [0x06054b50, 0x02014b50, 0x04034b50];
/** A comment behind the directory's end has at most so many bytes. */
const COMMENT_MOST = 0xffff;

/** The directory, of which nothing is unpacked; undefined for what is none. What is cut off has lost it, or part of it. */
function directoryOf(bytes: Uint8Array): readonly Entry[] | undefined {
  if (!isZip(bytes)) return undefined;
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  let end = bytes.length - 22;
  while (end >= 0 && end >= bytes.length - 22 - COMMENT_MOST && view.getUint32(end, true) !== DIRECTORY_END) end--;
  if (end < 0 || view.getUint32(end, true) !== DIRECTORY_END) return [];
  const entries: Entry[] = [];
  const decoder = new TextDecoder();
  let at = view.getUint32(end + 16, true);
  for (let i = view.getUint16(end + 10, true); i > 0 && at + 46 <= end && view.getUint32(at, true) === DIRECTORY_ENTRY; i--) {
    const [names, extra, comment] = [view.getUint16(at + 28, true), view.getUint16(at + 30, true), view.getUint16(at + 32, true)];
    entries.push({
      name: decoder.decode(bytes.subarray(at + 46, at + 46 + names)),
      method: view.getUint16(at + 10, true),
      packed: view.getUint32(at + 20, true),
      unpacked: view.getUint32(at + 24, true),
      at: view.getUint32(at + 42, true),
    });
    at += 46 + names + extra + comment;
  }
  return entries;
}

/** What the entries of a ZIP file come to when they are unpacked, in bytes, as its directory says; 0 for what is none. */
export const unpackedSize = (bytes: Uint8Array): number => (directoryOf(bytes) ?? []).reduce((sum, { unpacked }) => sum + unpacked, 0);

/** Names of the entries, as far as the directory has them: enough to tell what kind of package it is. Undefined for what is no ZIP file. */
export const entryNames = (bytes: Uint8Array): readonly string[] | undefined => directoryOf(bytes)?.map(({ name }) => name);

/** So many packed bytes are unpacked before it is looked at what has come of them: at most a thousand times as many. */
const AT_ONCE = 16_384;

/** The bytes that an entry holds; undefined where they are more than `most`, of which no more are made, or cannot be unpacked. */
function unpack(bytes: Uint8Array, { at, method, packed, unpacked }: Entry, most: number): Uint8Array | undefined {
  if (unpacked > most || at + 30 > bytes.length) return undefined;
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  if (view.getUint32(at, true) !== LOCAL_HEADER) return undefined;
  const from = at + 30 + view.getUint16(at + 26, true) + view.getUint16(at + 28, true);
  const data = bytes.subarray(from, from + packed);
  if (method === 0) return data.length > most ? undefined : data;
  if (method !== 8) return undefined;
  const whole = new Uint8Array(unpacked);
  let length = 0;
  const inflate = new Inflate((chunk) => {
    if (length + chunk.length <= unpacked) whole.set(chunk, length);
    length += chunk.length;
  });
  try {
    for (let start = 0; start < data.length && length <= unpacked; start += AT_ONCE)
      inflate.push(data.subarray(start, start + AT_ONCE), start + AT_ONCE >= data.length);
  } catch {
    return undefined;
  }
  return length === unpacked ? whole : undefined;
}

/**
 * A package with nothing in it but the entries that are asked for, unpacked: each was counted while it was unpacked, so that whoever
 * reads them meets no more than the directory said. Undefined where an entry holds something else than that, or all come to more than `most` bytes.
 */
export function plainPackage(bytes: Uint8Array, isAsked: (name: string) => boolean, most: number): Uint8Array | undefined {
  let left = most;
  const entries: Record<string, Uint8Array> = Object.create(null) as Record<string, Uint8Array>;
  for (const entry of directoryOf(bytes) ?? []) {
    if (!isAsked(entry.name)) continue;
    const content = unpack(bytes, entry, left);
    if (!content) return undefined;
    left -= content.length;
    entries[entry.name] = content;
  }
  return zipSync(entries, { level: 0 });
}
