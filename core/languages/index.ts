import { ar } from './ar';
import { de } from './de';
import { el } from './el';
import { en } from './en';
import { es } from './es';
import { fr } from './fr';
import type { Language, LanguageCode } from './language';

export type { Language, LanguageCode } from './language';
export { directionOf, spokenIn } from './direction';
export { lettersOf } from './letters';
export { words, type Word, type Wording } from './wording';

/** Every language that is ready, by its code, in the order in which they are offered. */
const byCode: { readonly [code in LanguageCode]: Language & { readonly code: code } } = {
  en: { ...en, code: 'en' },
  de: { ...de, code: 'de' },
  fr: { ...fr, code: 'fr' },
  es: { ...es, code: 'es' },
  el: { ...el, code: 'el' },
  ar: { ...ar, code: 'ar' },
};
export const languages: readonly Language[] = Object.values(byCode);
export const languageCodes = Object.keys(byCode) as readonly LanguageCode[];

export const languageOf = (code: LanguageCode): Language => byCode[code];
/** The language that a tag names first (`de-CH` is German), if it is one of these. */
export const languageNamed = (tag: string): Language | undefined => languages.find(({ code }) => tag === code || tag.startsWith(`${code}-`));

/** Words of all languages as one pattern, longer ones first. */
export const anyOf = (words: (language: Language) => readonly string[]): string => [...new Set(languages.flatMap(words))].join('|');
