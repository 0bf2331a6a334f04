import fs from 'node:fs';
import path from 'node:path';
import { contract } from '../core/compile';
import { icons, pictures } from '../core/media';
import { conditionNames, fonts, partNames, propertyNames, starters } from '../core/theme';
import { projectRoot } from './project-root';
import { problemKinds } from './problems';

const doc = (name: string): string => fs.readFileSync(path.join(projectRoot(), 'docs', name), 'utf8');
const lacking = (text: string, names: readonly string[]): string[] => names.filter((name) => !text.includes(`\`${name}\``));

/** The documents name everything that the catalogues have: a new row that nobody wrote down fails here. */
describe('The documents', () => {
  it('name every part, condition, property, starter, font, picture and icon', () => {
    const text = doc('theme-format.md');
    for (const names of [
      partNames,
      conditionNames,
      propertyNames,
      starters.map(({ key }) => key),
      ...[fonts, pictures, icons].map((each) => each.map(({ name }) => name)),
    ])
      expect(lacking(text, names)).toEqual([]);
  });
  it('name every mark of the markup contract', () => {
    const text = doc('markup.md');
    const marks = Object.values(contract).flatMap((mark) => (typeof mark === 'string' ? [mark] : []));
    expect(marks.filter((mark) => !text.includes(mark))).toEqual([]);
  });
  it('name every problem that a caller can meet', () => {
    const text = doc('api.md');
    expect(Object.keys(problemKinds).filter((kind) => !text.includes(kind))).toEqual([]);
  });
});
