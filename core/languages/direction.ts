/** Scripts that are written from right to left (Unicode Standard 16, chapters 9, 10 and 19; ISO 15924). */
const RIGHT_TO_LEFT: ReadonlySet<string> = new Set(['Adlm', 'Arab', 'Aran', 'Hebr', 'Mand', 'Mend', 'Nkoo', 'Rohg', 'Samr', 'Syrc', 'Thaa']);

/** In which direction a language's texts go, by the script that it is written in or by the one that it names (BCP 47; Unicode LDML, "Likely Subtags"). */
export function directionOf(tag: string): 'ltr' | 'rtl' {
  try {
    const script = new Intl.Locale(tag).maximize().script ?? '';
    return RIGHT_TO_LEFT.has(script) ? 'rtl' : 'ltr';
  } catch {
    return 'ltr';
  }
}

/** What elements say of the language of what is in them (HTML Standard, sections 3.2.6.2 and 3.2.6.4): nothing where none is named. */
export const spokenIn = (tag: string): { readonly lang?: string; readonly dir?: 'ltr' | 'rtl' } =>
  tag === '' ? {} : { lang: tag, dir: directionOf(tag) };
