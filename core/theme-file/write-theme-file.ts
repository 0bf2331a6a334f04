import { strToU8, zipSync } from 'fflate';
import { keyFrom, type Theme } from '../theme';

/** A file to be saved. */
export interface FileOut {
  readonly name: string;
  readonly type: string;
  readonly content: string | Uint8Array<ArrayBuffer>;
}

const jsonOf = (theme: Theme): string => `${JSON.stringify(theme, null, 2)}\n`;
const free = (): boolean => false;

/** The pictures that themes bring themselves, by the ids under which they are kept. */
export const picturesOf = (themes: readonly Theme[]): readonly string[] => [
  ...new Set(themes.flatMap(({ pictures = [] }) => pictures.map(({ media }) => media))),
];

/**
 * Themes as a file: one that brings no pictures is the JSON of docs/theme-format.md alone; else it is a ZIP with a JSON for each in its
 * folder `themes` and their pictures, by their ids, in its folder `pictures`.
 */
export function themeFile(themes: readonly Theme[], pictures: ReadonlyMap<string, Uint8Array>): FileOut {
  const [first] = themes;
  if (themes.length === 1 && first && picturesOf(themes).length === 0)
    return { name: `${keyFrom(first.name, free)}.json`, type: 'application/json', content: jsonOf(first) };
  const entries: Record<string, Uint8Array> = {};
  for (const theme of themes) {
    const key = keyFrom(theme.name, (each) => Object.hasOwn(entries, `themes/${each}.json`));
    entries[`themes/${key}.json`] = strToU8(jsonOf(theme));
  }
  for (const id of picturesOf(themes)) {
    const content = pictures.get(id);
    if (content) entries[`pictures/${id}`] = content;
  }
  // In an order, and at a time, that are always the same: the same themes make the same bytes.
  const name = themes.length === 1 && first ? `${keyFrom(first.name, free)}.zip` : 'themes.zip';
  return { name, type: 'application/zip', content: new Uint8Array(zipSync(entries, { level: 6, mtime: new Date(2000, 0, 1) })) };
}
