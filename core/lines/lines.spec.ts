import { dice, randomTable } from '../tests/random';
import { gridTable, themeWith, viewOf } from '../tests/themes';
import { gridOf, type Exception } from '../table';
import type { Theme } from '../theme';
import {
  captionLines,
  cellLines,
  columnLine,
  drawnSegments,
  lineAt,
  outerLines,
  rowLine,
  stronger,
  type Contender,
  type Line,
  type Origin,
} from './index';

const line = (width: number, style: Line['style'] = 'solid'): Line => ({
  kind: 'line',
  css: `${width}px ${style} #000000`,
  width,
  style,
  rgba: { r: 0, g: 0, b: 0, alpha: 1 },
});
const contender = (origin: Origin, width: number, style?: Line['style']): Contender => ({ origin, line: line(width, style) });

describe('The stronger line (CSS 2.2, section 17.6.2.1)', () => {
  for (const [what, winner, loser] of [
    ['hidden beats all', contender('table', 0, 'hidden'), contender('cell', 9)],
    ['none loses to all', contender('table', 1, 'dotted'), contender('cell', 0, 'none')],
    ['the wider wins', contender('table', 3, 'dotted'), contender('cell', 2, 'double')],
    ['then double', contender('row', 2, 'double'), contender('cell', 2, 'solid')],
    ['then solid', contender('row', 2, 'solid'), contender('cell', 2, 'dashed')],
    ['then dashed', contender('row', 2, 'dashed'), contender('cell', 2, 'dotted')],
    ['then dotted', contender('row', 2, 'dotted'), contender('cell', 2, 'ridge')],
    ['then ridge', contender('row', 2, 'ridge'), contender('cell', 2, 'outset')],
    ['then outset', contender('row', 2, 'outset'), contender('cell', 2, 'groove')],
    ['then groove', contender('row', 2, 'groove'), contender('cell', 2, 'inset')],
    ['then the cell before the row', contender('cell', 2), contender('row', 2)],
    ['the row before the row group', contender('row', 2), contender('row-group', 2)],
    ['the row group before the column', contender('row-group', 2), contender('column', 2)],
    ['the column before the table', contender('column', 2), contender('table', 2)],
  ] as const) {
    it(what, () => {
      expect(stronger(winner, loser)).toBe(winner);
      expect(stronger(loser, winner)).toBe(winner);
    });
  }
  it('takes the first, further to the top or the start, when all else is equal', () => {
    const [first, second] = [contender('cell', 2), contender('cell', 2)];
    expect(stronger(first, second)).toBe(first);
  });
});

describe('Lines between the parts', () => {
  const values = { rows: '3px solid mist', 'under-header': '2px solid deep', 'above-footer': '3px double lamp' };
  const joined = themeWith({ lines: { rest: values } });
  it('are the strongest where cells are joined', () => {
    expect(rowLine(viewOf(joined), 'header-body').css).toContain('mist');
    expect(rowLine(viewOf(joined), 'body-footer').css).toContain('lamp');
  });
  for (const cells of ['spaced', 'single']) {
    it(`are the more particular one where cells are ${cells}`, () =>
      expect(rowLine(viewOf(themeWith({ table: { rest: { cells } }, lines: { rest: values } })), 'header-body').css).toContain('deep'));
  }
  it('fall to the line between rows where none is set', () =>
    expect(rowLine(viewOf(themeWith({ lines: { rest: { rows: '1px solid mist' } } })), 'header-body').css).toBe('1px solid var(--zp-mist)'));
  it('are not there where none is said for a particular edge, joined or not; less particular ones leave no gap', () => {
    const line = (
      rest: Readonly<Record<string, string>>,
      cells: string,
      edge: 'header-body' | 'rows' = 'header-body',
      traits: readonly 'after-first-row'[] = [],
    ) => rowLine(viewOf(themeWith({ table: { rest: { cells } }, lines: { rest } })), edge, traits).css;
    for (const cells of ['joined', 'single', 'spaced']) {
      expect(line({ rows: '3px solid mist', 'under-header': 'none' }, cells))
        .withContext(cells)
        .toBe('none');
      expect(line({ rows: '3px solid mist', 'under-header': 'none' }, cells, 'rows'))
        .withContext(cells)
        .toContain('mist');
      expect(line({ rows: 'none', 'under-header': '1px solid deep' }, cells))
        .withContext(cells)
        .toContain('deep');
      expect(line({ rows: '1px solid mist', 'after-first-row': 'none' }, cells, 'rows', ['after-first-row']))
        .withContext(cells)
        .toBe('none');
    }
  });
  it('are put out by hidden', () =>
    expect(rowLine(viewOf(themeWith({ lines: { rest: { ...values, 'under-header': 'hidden' } } })), 'header-body').style).toBe('hidden'));
  it('are apart on the first and the last row and column, and beside the row headers', () => {
    const apart = themeWith({
      table: { rest: { cells: 'single' } },
      lines: {
        rest: {
          rows: '1px solid mist',
          columns: '1px solid mist',
          'after-first-row': '2px solid deep',
          'before-last-row': '3px solid deep',
          'before-last-column': '4px solid deep',
          'beside-row-headers': '5px solid deep',
          'header-columns': '6px solid deep',
        },
      },
    });
    expect([
      rowLine(viewOf(apart), 'rows', ['after-first-row']).width,
      rowLine(viewOf(apart), 'rows', ['before-last-row', 'after-first-row']).width,
    ]).toEqual([2, 3]);
    expect(columnLine(viewOf(apart), ['after-first-column']).width).toBe(1);
    expect(columnLine(viewOf(apart), ['beside-row-headers', 'before-last-column', 'header-columns']).width).toBe(5);
    expect(columnLine(viewOf(apart), ['before-last-column', 'header-columns']).width).toBe(4);
  });
  it('are none at first', () => expect(lineAt(viewOf(themeWith({})), 'rows').style).toBe('none'));
  it('close each side apart', () => {
    const { top, start } = outerLines(viewOf(themeWith({ lines: { rest: { 'outer-top': '4px solid deep' } } })));
    expect([top.width, start.style]).toEqual([4, 'none']);
  });
});

describe('Spaced cells', () => {
  const theme = (cells: string): Theme =>
    themeWith({
      table: { rest: { cells, gap: '6px' } },
      lines: { rest: { rows: '1px solid mist', columns: '2px solid deep', 'under-header': '3px solid lamp', 'after-first-column': 'none' } },
    });
  const widths = (cells: string, row: number, column: number): readonly (number | string | undefined)[] => {
    const table = gridTable(3, 3, { headerRows: 1 });
    const { top, end, bottom, start } = cellLines(viewOf(theme(cells)), table, gridOf(table).at(row, column));
    return [top, end, bottom, start].map((line) => (line?.style === 'none' ? 'none' : line?.width));
  };
  it('are closed all around, and have more particular lines at their top and their start', () => {
    expect(widths('spaced', 0, 0)).toEqual([1, 2, 1, 2]);
    expect(widths('spaced', 1, 1)).toEqual([3, 2, 1, 'none']);
    expect(widths('spaced', 2, 2)).toEqual([1, 2, 1, 2]);
    expect(widths('joined', 0, 0)).toEqual([undefined, undefined, undefined, undefined]);
    expect(widths('single', 2, 2)).toEqual([1, undefined, undefined, 2]);
  });
});

describe('Between a table and its caption', () => {
  const lines = (outer: string, caption: string, side: 'above' | 'below'): readonly (number | undefined)[] => {
    const at = captionLines(viewOf(themeWith({ lines: { rest: { 'outer-top': outer, 'outer-bottom': outer, 'under-caption': caption } } })), side);
    return [at.caption?.width, at.outer?.width];
  };
  it('is one line, the stronger of both', () => {
    for (const side of ['above', 'below'] as const) {
      expect(lines('2px solid deep', '1px solid lamp', side)).toEqual([undefined, 2]);
      expect(lines('2px solid deep', '2px solid lamp', side)).toEqual([undefined, 2]);
      expect(lines('1px solid deep', '4px solid lamp', side)).toEqual([4, undefined]);
      expect(lines('none', '4px solid lamp', side)).toEqual([4, undefined]);
      expect(lines('1px solid deep', 'none', side)).toEqual([undefined, 1]);
    }
  });
});

describe('Every edge is drawn once', () => {
  const theme = themeWith({
    lines: { rest: { rows: '1px solid mist', columns: '2px solid deep', 'under-header': '3px solid lamp', 'above-footer': '4px solid lamp' } },
  });
  const widths = (rows: number, given: Parameters<typeof gridTable>[2], row: number, column: number): readonly (number | undefined)[] => {
    const table = gridTable(rows, 2, given);
    const { top, start } = cellLines(viewOf(theme), table, gridOf(table).at(row, column));
    return [top?.width, start?.width];
  };
  it('with the outside left to the table', () => expect(widths(3, {}, 0, 0)).toEqual([undefined, undefined]));
  it('with the header’s line on the first body row', () => expect(widths(3, { headerRows: 1 }, 1, 1)).toEqual([3, 2]));
  it('with the row line between body rows', () => expect(widths(3, { headerRows: 1 }, 2, 0)).toEqual([1, undefined]));
  it('with the footer’s line on its first row', () => expect(widths(3, { headerRows: 1, footerRows: 1 }, 2, 0)).toEqual([4, undefined]));
  it('with the row line between footer rows', () => {
    expect(widths(4, { headerRows: 1, footerRows: 2 }, 2, 0)).toEqual([4, undefined]);
    expect(widths(4, { headerRows: 1, footerRows: 2 }, 3, 1)).toEqual([1, 2]);
  });
  it('with the strongest between header and footer when there is no body', () =>
    expect(widths(2, { headerRows: 1, footerRows: 1 }, 1, 0)).toEqual([4, undefined]));

  it('with a table’s own line in place of its theme’s, the row’s over the column’s, and none on the outside', () => {
    const at = (row: number | null, column: number | null, values: Readonly<Record<string, string>>): Exception => ({
      ...{ row, column, values },
      reach: '',
      dressing: '',
    });
    const exceptions = [at(null, 1, { 'line-before': '7px solid lamp', 'line-above': 'none' }), at(2, null, { 'line-above': '5px solid lamp' })];
    const given = { headerRows: 1, exceptions };
    expect(widths(3, given, 1, 0)).toEqual([3, undefined]);
    expect(widths(3, given, 1, 1)).toEqual([0, 7]);
    expect(widths(3, given, 2, 1)).toEqual([5, 7]);
    expect(widths(3, { exceptions: [at(0, 0, { 'line-above': '5px solid lamp', 'line-before': '5px solid lamp' })] }, 0, 0)).toEqual([
      undefined,
      undefined,
    ]);
  });

  it('for 500 random tables with merged cells: none doubled, none missing, none inside merged cells', () => {
    for (let seed = 0; seed < 500; seed++) {
      const table = randomTable(dice(seed));
      const grid = gridOf(table);
      const drawn = drawnSegments(table).map(({ along, row, column }) => `${along} ${row} ${column}`);
      const wanted: string[] = [];
      for (let row = 0; row < grid.height; row++) {
        for (let column = 0; column < grid.width; column++) {
          if (row > 0 && grid.at(row, column) !== grid.at(row - 1, column)) wanted.push(`row ${row} ${column}`);
          if (column > 0 && grid.at(row, column) !== grid.at(row, column - 1)) wanted.push(`column ${row} ${column}`);
        }
      }
      expect(drawn.sort()).withContext(`seed ${seed}`).toEqual(wanted.sort());
    }
  });
});
