import type { Wording } from './wording';

/** The codes of the languages that everything is ready in (BCP 47). */
export type LanguageCode = 'en' | 'de' | 'fr' | 'es' | 'el' | 'ar';

/** Everything that is known of a language: what is read in it, what is written, and what is said around a table. */
export interface Language {
  readonly code: LanguageCode;
  /** Its own name, and what it is called in English. */
  readonly name: string;
  readonly inEnglish: string;
  readonly isRightToLeft: boolean;
  /** Words that are read as yes and as no, and how the two are written. */
  readonly yes: readonly string[];
  readonly no: readonly string[];
  readonly yesAndNo: readonly [yes: string, no: string];
  /** Patterns of how a row of totals begins, and of words in a column's name by which its figures are names and not amounts. */
  readonly totals: readonly string[];
  readonly codes: readonly string[];
  /** Names of months that the language's own data (Unicode CLDR) do not have, by their number from 1. */
  readonly months: Readonly<Record<string, number>>;
  /** What is said around a table for visitors. */
  readonly labels: Wording;
}
