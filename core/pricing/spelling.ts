/** A name without what people spell in two ways: case, spaces, hyphens, marks over letters. */
export const spelling = (name: string): string =>
  name
    .normalize('NFKD')
    .replace(/\p{M}+/gu, '')
    .replace(/[^\p{L}\p{N}]+/gu, '')
    .toLocaleLowerCase();
