import { Views, starterBases, type Base, type Theme, type ThemeView } from '../theme';
import { tableOf, type Table } from '../table';

/** A starter in its first version, to grow from. */
export const starter = (name: string): Base => ({ starter: name, version: 1 });

/** Views of themes that grow from what ships. */
export const views = new Views(starterBases);
export const viewOf = (theme: Theme, step = ''): ThemeView => views.of(theme, step);

/** A theme on the bare ground with these values; swatches mist, deep and lamp are there. */
export const themeWith = (values: Theme['values'], given: Partial<Theme> = {}): Theme => ({
  format: 'zest-theme/2',
  name: 'Specimen',
  base: starter('ground'),
  swatches: [
    { name: 'mist', colour: '#eef5f6' },
    { name: 'deep', colour: '#123c4d' },
    { name: 'lamp', colour: '#e2590a' },
  ],
  values,
  ...given,
});

/** A table whose texts say where they stand: `r0c0`, `r0c1` and so on. */
export const gridTable = (rows: number, columns: number, given: Partial<Table> = {}): Table =>
  tableOf(
    'Specimen',
    Array.from({ length: rows }, (_, row) => Array.from({ length: columns }, (_, column) => `r${row}c${column}`)),
    given,
  );
