import { strFromU8, strToU8, unzipSync, zipSync } from 'fflate';

/** A cell that names one of the workbook's texts ([ECMA-376] part 1, section 18.3.1.4), and the number of that text. */
const NAMED = /(<(?:\w{1,20}:)?c\s[^>]{0,400}?)\bt="s"([^>]{0,400}>\s{0,40}<(?:\w{1,20}:)?v>)(\d{1,9})(<\/)/g;
/** The beginning of a text in the list of them (section 18.4.8). */
const TEXT = /<(?:\w{1,20}:)?si[\s>/]/g;

/**
 * A workbook some of whose cells name a text that is not in it, as a program leaves it that was stopped while it wrote: with these
 * cells empty, so that one costs itself and not the whole sheet. `lacking` says how many there were; undefined where none are.
 */
export function withoutMissingTexts(bytes: Uint8Array): { readonly bytes: Uint8Array; readonly lacking: number } | undefined {
  let parts: Record<string, Uint8Array>;
  try {
    parts = unzipSync(bytes);
  } catch {
    return undefined;
  }
  const texts = Object.entries(parts).find(([name]) => /(?:^|\/)sharedStrings\.xml$/i.test(name))?.[1];
  const count = texts ? (strFromU8(texts).match(TEXT)?.length ?? 0) : 0;
  let lacking = 0;
  for (const [name, part] of Object.entries(parts)) {
    if (!/(?:^|\/)worksheets\/[^/]+\.xml$/i.test(name)) continue;
    const before = lacking;
    const mended = strFromU8(part).replace(NAMED, (found, start: string, middle: string, index: string, end: string) => {
      if (Number(index) < count) return found;
      lacking++;
      return `${start}t="str"${middle}${end}`;
    });
    if (lacking > before) parts[name] = strToU8(mended);
  }
  return lacking === 0 ? undefined : { bytes: zipSync(parts, { level: 0 }), lacking };
}
