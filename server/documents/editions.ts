import type { Edition } from '../../core/documents';

/** An edition as a row of the database says it. */
export interface Numbered {
  readonly number: number;
  readonly published_at: Date | string;
}
export const editionOf = ({ number, published_at }: Numbered): Edition => ({ number, publishedAt: new Date(published_at).toISOString() });

/** Which edition of something is wanted: the one at which it is held, else the newest. */
export interface Wanted {
  readonly id: string;
  readonly held?: number;
}

/** Editions as JSON text, by an id and the number at which it is held. */
export interface Texts {
  readonly get: (id: string, held: number | undefined) => string | undefined;
}
export const keyOf = (id: string, number: number): string => `${id}@${number}`;

/**
 * The editions that are wanted; one that is gone gives way to the newest, and what has none is not there. `read` is asked at most twice,
 * for all at once, and gives texts by `keyOf`.
 */
export async function textsOf(
  wanted: readonly Wanted[],
  newest: ReadonlyMap<string, number>,
  readAll: (asked: readonly { readonly id: string; readonly number: number }[]) => Promise<ReadonlyMap<string, string>>,
): Promise<Texts> {
  const texts = new Map<string, string>();
  const read = async (asked: readonly { readonly id: string; readonly number: number | undefined }[]): Promise<void> => {
    const there = asked.flatMap(({ id, number }) => (number === undefined ? [] : [{ id, number }]));
    for (const [key, text] of await readAll(there)) texts.set(key, text);
  };
  const at = (id: string, number: number | undefined): string | undefined => (number === undefined ? undefined : texts.get(keyOf(id, number)));
  await read(wanted.map(({ id, held }) => ({ id, number: held ?? newest.get(id) })));
  await read(wanted.filter(({ id, held }) => at(id, held ?? newest.get(id)) === undefined).map(({ id }) => ({ id, number: newest.get(id) })));
  return { get: (id, held) => at(id, held) ?? at(id, newest.get(id)) };
}
