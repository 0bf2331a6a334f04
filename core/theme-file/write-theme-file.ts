import { strToU8, zipSync } from 'fflate';
import { isThemeBase, keyFrom, type Theme } from '../theme';
import { withApart } from './apart';
import type { FiledTheme } from './filed';

/** A file to be saved. */
export interface FileOut {
  readonly name: string;
  readonly type: string;
  readonly content: string | Uint8Array<ArrayBuffer>;
}

const jsonOf = (theme: Theme): string => `${JSON.stringify(withApart(theme), null, 2)}\n`;
const free = (): boolean => false;

/** The pictures that themes bring themselves, by the ids under which they are kept. */
export const picturesOf = (themes: readonly FiledTheme[]): readonly string[] => [
  ...new Set(themes.flatMap(({ theme: { pictures = [] } }) => pictures.map(({ media }) => media))),
];

/**
 * Themes as a file: one that brings no pictures is the JSON of docs/theme-format.md alone; else it is a ZIP with a JSON for each in its
 * folder `themes` and their pictures, by their ids, in its folder `pictures`. In a file a theme that grows from another names it by what
 * its JSON is called, so what it stands on belongs to the themes (`withBases`). The file is called by the last of them where `one` is said.
 */
export function themeFile(themes: readonly FiledTheme[], pictures: ReadonlyMap<string, Uint8Array>, one = themes.length === 1): FileOut {
  const called = keyFrom(themes.at(-1)?.theme.name ?? '', free);
  const [first] = themes;
  if (themes.length === 1 && first && picturesOf(themes).length === 0)
    return { name: `${called}.json`, type: 'application/json', content: jsonOf(first.theme) };
  const entries: Record<string, Uint8Array> = {};
  const keys = new Map<string, string>();
  for (const { id, theme } of themes)
    keys.set(
      id,
      keyFrom(theme.name, (each) => [...keys.values()].includes(each)),
    );
  for (const { id, theme } of themes) {
    const base = isThemeBase(theme.base) ? { theme: keys.get(theme.base.theme) ?? theme.base.theme } : theme.base;
    entries[`themes/${keys.get(id) ?? id}.json`] = strToU8(jsonOf({ ...theme, base }));
  }
  for (const id of picturesOf(themes)) {
    const content = pictures.get(id);
    if (content) entries[`pictures/${id}`] = content;
  }
  // In an order, and at a time, that are always the same: the same themes make the same bytes.
  const name = one ? `${called}.zip` : 'themes.zip';
  return { name, type: 'application/zip', content: new Uint8Array(zipSync(entries, { level: 6, mtime: new Date(2000, 0, 1) })) };
}
