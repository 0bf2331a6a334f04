import { formatValue, PLAIN_FORMAT, readYesNo } from '../data-types';
import { languageNamed, languages, words } from '.';

describe('Every language that is ready', () => {
  for (const language of languages)
    describe(language.inEnglish, () => {
      it('is named by its code and by the tags of its places', () => {
        expect(languageNamed(language.code)).toBe(language);
        expect(languageNamed(`${language.code}-ZZ`)).toBe(language);
      });

      it('reads back the yes and the no that it writes', () => {
        const written = ([1, 0] as const).map((value) => formatValue('yes-no', value, PLAIN_FORMAT, language.code));
        expect(written).toEqual([...language.yesAndNo]);
        expect(written.map(readYesNo)).toEqual([true, false]);
      });

      it('reads each of its own words', () => {
        for (const word of language.yes) expect(readYesNo(word)).withContext(word).toBeTrue();
        for (const word of language.no) expect(readYesNo(word)).withContext(word).toBeFalse();
      });

      it('says every label, with what is put in', () => {
        for (const { name, ...word } of words) {
          const puts: readonly string[] = 'puts' in word ? word.puts : [];
          expect([...language.labels[name].matchAll(/\{(\w+)\}/g)].map(([, put]) => put ?? '').sort())
            .withContext(name)
            .toEqual([...puts].sort());
        }
      });

      it('has patterns that can be read', () => {
        for (const pattern of [...language.totals, ...language.codes]) expect(() => new RegExp(pattern, 'iu')).not.toThrow();
      });
    });

  it('is none that no one has made ready', () => {
    expect(languageNamed('nl')).toBeUndefined();
    expect(languageNamed('english')).toBeUndefined();
    expect(languageNamed('constructor')).toBeUndefined();
  });
});
