const view = (bytes: Uint8Array): DataView => new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);

export const isZip = (bytes: Uint8Array): boolean => bytes.length > 3 && bytes[0] === 0x50 && bytes[1] === 0x4b && bytes[2] === 3 && bytes[3] === 4;

/** What the entries of a ZIP file come to when they are unpacked, in bytes, as its directory says (APPNOTE 4.3.12); 0 for what is none. */
export function unpackedSize(bytes: Uint8Array): number {
  if (!isZip(bytes)) return 0;
  const data = view(bytes);
  let sum = 0;
  for (let at = endOfDirectory(data); at >= 0 && at + 46 <= data.byteLength && data.getUint32(at, true) === 0x02014b50;) {
    sum += data.getUint32(at + 24, true);
    at += 46 + data.getUint16(at + 28, true) + data.getUint16(at + 30, true) + data.getUint16(at + 32, true);
  }
  return sum;
}

/** Where the central directory begins: its end record stands in the last 65,557 bytes. */
function endOfDirectory(data: DataView): number {
  for (let at = data.byteLength - 22; at >= Math.max(0, data.byteLength - 65_557); at--)
    if (data.getUint32(at, true) === 0x06054b50) return data.getUint32(at + 16, true);
  return -1;
}

/** Names of the entries, as far as the file has them one after the other: enough to tell what kind of package it is. */
export function entryNames(bytes: Uint8Array): readonly string[] {
  const data = view(bytes);
  const names: string[] = [];
  for (let at = endOfDirectory(data); at >= 0 && at + 46 <= data.byteLength && data.getUint32(at, true) === 0x02014b50;) {
    const length = data.getUint16(at + 28, true);
    names.push(new TextDecoder().decode(bytes.subarray(at + 46, at + 46 + length)));
    at += 46 + length + data.getUint16(at + 30, true) + data.getUint16(at + 32, true);
  }
  return names;
}
