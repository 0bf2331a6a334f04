/** Letters that are written otherwise as well, and no mark is what tells them apart. */
const others: Readonly<Record<string, string>> = { Æ: 'AE', Ø: 'O', ٱ: 'ا', ى: 'ي', ـ: '' };

/**
 * A text as it is searched for: in capitals, as a language (a BCP 47 tag) has them, since ß, ς and ı are then SS, Σ and I; and without
 * marks but those of `letters`, capitals that are letters of their own there, so that “emile” finds “Émile”, and in Swedish “mal”
 * does not find “mål”.
 */
export const folded = (text: string, language: string, letters: string): string =>
  text
    .toLocaleUpperCase(language)
    .normalize()
    .replace(/[^\0-\x7f]/gu, (letter) => (letters.includes(letter) ? letter : (others[letter] ?? letter.normalize('NFD').replace(/\p{M}/gu, ''))));
