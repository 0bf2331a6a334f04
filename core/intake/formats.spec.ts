import { sourceKinds, type SourceKind } from './endings';
import { endingsOf } from './endings';
import { bringIn } from './bring-in';

/** What a table of one cell above another looks like in each format of text. */
const samples: Readonly<Record<Exclude<SourceKind, 'workbook'>, string>> = {
  html: '<table><tr><th>Name</th></tr><tr><td>Zoe</td></tr></table>',
  json: '[{"Name":"Zoe"}]',
  markdown: '| Name |\n| --- |\n| Zoe |\n',
  separated: 'Name,Place\nZoe,Hill\n',
};
const bytesOf = (text: string): Uint8Array => new TextEncoder().encode(text);
const kindOf = (name: string, text: string): SourceKind | undefined => {
  const read = bringIn(name, bytesOf(text));
  return read.ok ? read.value.kind : undefined;
};

describe('Every format that tables come in from', () => {
  for (const [kind, text] of Object.entries(samples))
    it(`${kind} is read by its own endings, without one, and under a wrong one that nothing can be said for`, () => {
      for (const ending of endingsOf[kind as SourceKind])
        expect(kindOf(`table.${ending}`, text))
          .withContext(ending)
          .toBe(kind as SourceKind);
      expect(kindOf('table', text)).toBe(kind as SourceKind);
      expect(kindOf('table.xlsx', text)).toBe(kind as SourceKind);
    });

  it('has endings that no other has', () => {
    const all = sourceKinds.flatMap((kind): readonly string[] => endingsOf[kind]);
    expect(new Set(all).size).toBe(all.length);
  });

  it('tells text from what its name says', () => {
    expect(kindOf('table.csv', samples.html)).toBe('html');
    expect(kindOf('table.json', samples.separated)).toBe('separated');
    expect(kindOf('table.md', samples.separated)).withContext('taken for what it says, and refused for want of a table').toBeUndefined();
    expect(kindOf('table.txt', samples.markdown)).toBe('markdown');
    expect(kindOf('table.constructor', samples.separated)).toBe('separated');
  });
});
