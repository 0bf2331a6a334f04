import { folded } from './folded';

describe('A text as it is searched for', () => {
  const found = (text: string, asked: string, language: string): boolean => folded(text, language).includes(folded(asked, language));
  const cases: readonly (readonly [text: string, asked: string, language: string, isFound: boolean])[] = [
    ['Émile Zola', 'emile', 'fr', true],
    ['Straße', 'strasse', 'de', true],
    ['STRASSE', 'straße', 'de', true],
    ['Müller', 'muller', 'de', true],
    ['mål', 'mal', 'en', true],
    ['mål', 'mal', 'sv', false],
    ['MÅL', 'mål', 'sv-SE', true],
    ['älv', 'alv', 'fi', false],
    ['Filipino å', 'a', 'fil', true],
    ['Søren', 'soren', 'en', true],
    ['Søren', 'soren', 'da', false],
    ['año', 'ano', 'es', false],
    ['ISPARTA', 'ısparta', 'tr', true],
    ['ISPARTA', 'isparta', 'tr', false],
    ['İzmir', 'izmir', 'tr', true],
    ['İzmir', 'izmir', 'en', true],
    ['ısparta', 'isparta', 'en', true],
    ['Πειραιάς', 'πειραιας', 'el', true],
    ['ΠΕΙΡΑΙΑΣ', 'πειραιάς', 'el', true],
    ['أحمد', 'احمد', 'ar', true],
    ['إيمان', 'ايمان', 'ar', true],
    ['مُحَمَّد', 'محمد', 'ar', true],
    ['منى', 'مني', 'ar', true],
    ['ميـناء', 'ميناء', 'ar', true],
    ['cafe\u0301', 'café', 'en', true],
  ];
  for (const [text, asked, language, isFound] of cases)
    it(`${text} is ${isFound ? '' : 'not '}found by ${asked} in ${language}`, () => expect(found(text, asked, language)).toBe(isFound));
});
