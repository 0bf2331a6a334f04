import fs from 'node:fs';
import path from 'node:path';
import { arrange, bringIn, type Arranged } from '../core/intake';
import { projectRoot } from './project-root';

/** Files that LibreOffice Calc wrote, each of the same sheet: a title, two tiers of headers, formulas, dates, a total. */
const open = (name: string): Arranged => {
  const outcome = bringIn(name, new Uint8Array(fs.readFileSync(path.join(projectRoot(), 'server', 'tests', 'files', name))));
  if (!outcome.ok) throw new Error(outcome.problems[0]?.say);
  return arrange('Crossings', outcome.value.raw);
};

describe('Files made by LibreOffice', () => {
  for (const name of ['crossings.xlsx', 'crossings.xls', 'crossings.ods']) {
    it(`come in whole from ${name}`, () => {
      const { table, findings, notes } = open(name);
      expect(table.caption).toBe('Crossings in October');
      expect(table.rows).toEqual([
        ['Boat', 'Crossings', '', 'Fares', 'Since'],
        ['', 'Weekday', 'Weekend', '', ''],
        ['Lantern Ada', '38', '12', '£412.50', '2023-01-01'],
        ['Σκάφος', '41', '9', '£1,460.00', '2023-03-15 18:00'],
        ['فانوس', '29', '-3', '£310.25', '2023-06-23'],
        ['Total', '108', '18', '£2,182.75', ''],
      ]);
      expect([table.headerRows, table.rowHeaders, table.footerRows]).toEqual([2, 1, 1]);
      expect(table.merges).toEqual(
        jasmine.arrayWithExactContents([
          { row: 0, column: 0, rows: 2, columns: 1 },
          { row: 0, column: 1, rows: 1, columns: 2 },
          { row: 0, column: 3, rows: 2, columns: 1 },
          { row: 0, column: 4, rows: 2, columns: 1 },
        ]),
      );
      expect(findings.map(({ kind }) => kind)).toEqual(['merged', 'title', 'header', 'row-headers', 'footer']);
      expect(notes).toContain('3 formulas came in as the last value.');
    });
  }
  it('come in from a web page as well, dates as they are shown there', () => {
    const { table } = open('crossings.html');
    expect(table.caption).toBe('Crossings in October');
    expect(table.rows[3]).toEqual(['Σκάφος', '41', '9', '£1,460.00', '15/03/2023 18:00']);
    expect([table.headerRows, table.rowHeaders, table.footerRows, table.merges.length]).toEqual([2, 1, 1, 4]);
  });
});
