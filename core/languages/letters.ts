/**
 * Letters that stand in a language's alphabet by themselves and that others take for a letter with a mark (Unicode CLDR, collation by
 * language), as capitals, by the language's code. Whoever searches in that language means them and no others.
 */
const ownLetters: ReadonlyMap<string, string> = new Map([
  ['sv', 'ÅÄÖ'],
  ['fi', 'ÅÄÖ'],
  ['da', 'ÅÆØ'],
  ['nb', 'ÅÆØ'],
  ['nn', 'ÅÆØ'],
  ['no', 'ÅÆØ'],
  ['et', 'ÕÄÖÜ'],
  ['es', 'Ñ'],
  ['tr', 'ÇĞİÖŞÜ'],
  ['az', 'ÇƏĞİÖŞÜ'],
]);

/** The letters of its own that a language (a BCP 47 tag) has; an empty text for most. */
export const lettersOf = (language: string): string => ownLetters.get(language.toLowerCase().split('-')[0] ?? '') ?? '';
