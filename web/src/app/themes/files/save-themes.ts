import { picturesOf, themeFile, withBases } from '../../../../../core/theme-file';
import type { Kept } from '../../../../../core/documents';
import { offerFile } from './offer-file';
import type { Theme } from '../../../../../core/theme';

/** Saves themes as a file, with what they grow from among `all`, and the pictures that they bring; gives a sentence about those that are not there any more, if any. */
export async function saveThemes(chosen: readonly Kept<Theme>[], all: readonly Kept<Theme>[]): Promise<string> {
  const filed = (themes: readonly Kept<Theme>[]): Parameters<typeof withBases>[0] => themes.map(({ id, document: theme }) => ({ id, theme }));
  const themes = withBases(filed(chosen), filed(all));
  const pictures = new Map<string, Uint8Array>();
  const gone: string[] = [];
  for (const id of picturesOf(themes)) {
    const answer = await fetch(`/pictures/${id}`).catch(() => undefined);
    if (answer?.ok) pictures.set(id, new Uint8Array(await answer.arrayBuffer()));
    else gone.push(id);
  }
  const { name, type, content } = themeFile(themes, pictures, chosen.length === 1);
  offerFile(name, new Blob([content], { type }));
  if (gone.length === 0) return `Saved as ${name}.`;
  return `Saved as ${name}, without ${gone.length === 1 ? 'a picture that is' : `${gone.length} pictures that are`} not here any more.`;
}
