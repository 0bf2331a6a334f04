import { viewOf, starter } from '../tests/themes';
import { setValue } from '../edit';
import { tableOf, type Table } from '../table';
import { hasSteps, type PropertyName, type Theme, type ThemeView } from '../theme';
import { columnNeeds } from './columns';
import { fitOf, piecesOf, proposeSteps, stretchesOfWidth, surelyFits, verdictAt, type Measure } from './index';

/** Every letter half as wide as the type is high, heavier ones a little more: enough to work out by hand. */
const measure: Measure = (text, { size, weight, spacing }) => Array.from(text).length * (size / 2 + spacing + (weight > 500 ? 1 : 0));
const bare: Theme = { format: 'zest-theme/2', name: 'T', base: starter('hairline'), swatches: [], values: {} };
const set = (theme: Theme, property: PropertyName, text: string, part: 'table' | 'lines' | 'body-rows' = 'table', step?: string): Theme =>
  setValue(theme, { part, condition: 'rest', step }, property, text);
/** No padding, no lines, one size of 16 px: eight pixels a letter. */
const plain = (['table', 'column-headers', 'body-rows', 'row-headers', 'footer', 'caption'] as const).reduce<Theme>(
  (theme, part) =>
    (
      [
        ['padding-start', '0'],
        ['padding-end', '0'],
        ['size', '16px'],
        ['weight', '400'],
        ['letter-spacing', 'normal'],
        ['case', 'as typed'],
      ] as const
    ).reduce((each, [name, text]) => setValue(each, { part, condition: 'rest' }, name, text), theme),
  (['outer-start', 'outer-end', 'columns', 'header-columns', 'beside-row-headers'] as const).reduce(
    (theme, line) => set(theme, line, 'none', 'lines'),
    bare,
  ),
);
const table = (rows: readonly (readonly string[])[], given: Partial<Table> = {}): Table => tableOf('T', rows, { headerRows: 0, ...given });

describe('Pieces of a text', () => {
  for (const [text, pieces] of [
    ['one two', ['one', 'two']],
    ['half-board', ['half-', 'board']],
    ['-5 −12', ['-5', '−12']],
    ['9–17', ['9–', '17']],
    ['a—b', ['a', '—', 'b']],
    ['what?now', ['what?', 'now']],
    ['£1,204.50 a/b', ['£1,204.50', 'a/b']],
    ['日本', ['日', '本']],
    ['line\nbreak', ['line', 'break']],
    ['', []],
  ] as const)
    it(`of “${text.replace('\n', '⏎')}” are ${pieces.length}`, () => expect(piecesOf(text)).toEqual([...pieces]));
});

describe('What columns need', () => {
  it('is the most of their own cells, and what wider ones need beyond that in parts', () => {
    const cell = (column: number, columns: number, least: number, natural: number) => ({ column, columns, least, natural });
    expect(columnNeeds(2, [cell(0, 1, 10, 30), cell(0, 1, 20, 25), cell(1, 1, 5, 5)], 0)).toEqual([
      { least: 20, natural: 30 },
      { least: 5, natural: 5 },
    ]);
    // Towards the natural widths first, then in proportion to them.
    expect(columnNeeds(2, [cell(0, 1, 10, 30), cell(1, 1, 10, 10), cell(0, 2, 30, 30)], 0).map(({ least }) => least)).toEqual([20, 10]);
    expect(columnNeeds(2, [cell(0, 1, 10, 30), cell(1, 1, 10, 10), cell(0, 2, 80, 80)], 0).map(({ least }) => least)).toEqual([60, 20]);
    expect(columnNeeds(2, [cell(0, 2, 30, 50)], 10).map(({ least }) => least)).toEqual([10, 10]);
  });
});

describe('The fit of a table', () => {
  it('is the widest piece and the widest line of each column', () => {
    const { least, natural, columns } = fitOf(
      viewOf(plain),
      table([
        ['one three', 'x'],
        ['two', 'yy'],
      ]),
      measure,
    );
    expect(columns).toEqual([
      { least: 40, natural: 72 },
      { least: 16, natural: 16 },
    ]);
    expect([least, natural]).toEqual([56, 88]);
  });

  it('counts padding, lines, gaps and the table’s own border', () => {
    const rows = table([['one', 'two']]);
    const padded = set(set(plain, 'padding-start', '10px', 'body-rows'), 'padding-end', '1em', 'body-rows');
    expect(fitOf(viewOf(padded), rows, measure).least).toBe(48 + 2 * 26);
    expect(fitOf(viewOf(set(plain, 'columns', '3px solid #000000', 'lines')), rows, measure).least).toBe(48 + 3);
    expect(fitOf(viewOf(set(plain, 'outer-end', '2px solid #000000', 'lines')), rows, measure).least).toBe(48 + 2);
    expect(fitOf(viewOf(set(set(plain, 'cells', 'spaced'), 'gap', '5px')), rows, measure).least).toBe(48 + 15);
  });

  it('leaves one line whole, has a word of the caption, and equal columns by the widest', () => {
    expect(fitOf(viewOf(set(plain, 'wrap', 'one line', 'body-rows')), table([['one two']]), measure).least).toBe(56);
    expect(fitOf(viewOf(plain), table([['x']], { caption: 'Crossings of today' }), measure).least).toBe(72);
    expect(fitOf(viewOf(set(plain, 'layout', 'equal')), table([['three', 'x']]), measure).least).toBe(80);
  });

  it('is that of the step at which the theme is looked at', () => {
    const stepped = set(plain, 'size', '8px', 'body-rows', 'narrow');
    const rows = table([['three']]);
    expect(['', 'narrow'].map((step) => fitOf(viewOf(stepped, step), rows, measure).least)).toEqual([40, 20]);
  });
});

const timetable = table(
  [
    ['Boat', ...Array.from({ length: 5 }, (_, i) => `Leaves${i}`)],
    ...Array.from({ length: 3 }, (_, row) => [`Boat ${row}`, ...Array.from({ length: 5 }, () => '18:35')]),
  ],
  { headerRows: 1, rowHeaders: 1 },
);

describe('How a table does at every width', () => {
  it('is told in stretches without a hole, by step', () => {
    const theme = set(plain, 'arrangement', 'stacked', 'table', 'narrow');
    const found = stretchesOfWidth(viewOf(theme), table([['Crossings from Oldquay'.repeat(6).replaceAll(' ', '')]]), measure, 1920);
    expect(found[0]).toEqual(jasmine.objectContaining({ from: 1, to: 480, state: 'stacked', step: 'narrow' }));
    found.forEach(({ from }, i) => expect(from).toBe((found[i - 1]?.to ?? 0) + 1));
    expect(found.at(-1)?.to).toBe(1920);
    expect(verdictAt(found, 400, 'stacked')).toBe('fits, stacked');
    expect(verdictAt(found, 600, 'as-is')).toBe('overflows by 360 px');
    expect(verdictAt(found, 600, 'scrolls')).toBe('scrolls: 360 px are out of sight');
    expect(verdictAt(found, 1200, 'as-is')).toBe('fits');
  });
});

describe('Steps that are proposed', () => {
  const wide = ['padding-start', 'padding-end'].reduce((theme, side) => set(theme, side as PropertyName, '20px', 'body-rows'), plain);
  const padded = (['column-headers', 'row-headers'] as const).reduce(
    (theme, part) =>
      setValue(setValue(theme, { part, condition: 'rest' }, 'padding-start', '20px'), { part, condition: 'rest' }, 'padding-end', '20px'),
    wide,
  );

  it('are none where it fits on a phone', () => {
    expect(proposeSteps(viewOf(plain), table([['one', 'two']]), measure)).toEqual({ theme: plain, why: [] });
  });

  it('are closer padding first, then stacked rows, and make it fit from 320 px on', () => {
    const { theme, why } = proposeSteps(viewOf(padded), timetable, measure);
    expect(why.map((each) => /padding half as wide|a block with labels/.exec(each)?.[0])).toEqual(['padding half as wide', 'a block with labels']);
    expect(hasSteps(viewOf(theme))).toBeTrue();
    const beyond = stretchesOfWidth(viewOf(theme), timetable, measure, 1600).filter(({ state, to }) => state === 'beyond' && to >= 320);
    expect(beyond).toEqual([]);
  });

  it('scroll where there are too many columns to stack, or no header to take labels from', () => {
    const many = table([Array.from({ length: 20 }, (_, i) => `Name${i}`), Array.from({ length: 20 }, () => 'x')], { headerRows: 1 });
    expect(proposeSteps(viewOf(padded), many, measure).why.at(-1)).toContain('scrolls in its frame');
    const headless = table([Array.from({ length: 8 }, () => 'somewhat')]);
    expect(proposeSteps(viewOf(padded), headless, measure).why.at(-1)).toContain('no header');
  });

  it('keep what the theme has at its other steps', () => {
    const own = { ...padded, widths: [{ name: 'column', width: 250, values: { 'body-rows': { rest: { size: '10px' } } } }] } as Theme;
    expect(proposeSteps(viewOf(own), timetable, measure).theme.widths?.find(({ name }) => name === 'column')).toEqual(own.widths?.[0]);
  });

  const beyond = (theme: Theme): readonly unknown[] =>
    stretchesOfWidth(viewOf(theme), timetable, measure, 1600).filter(({ state, to }) => state === 'beyond' && to >= 320);
  const steps = (theme: Theme): readonly string[] => (theme.widths ?? []).map(({ name, width }) => `${name} ${width}`);

  it('leave steps that say something where they are, and come between them', () => {
    const own = { ...set(padded, 'size', '15px', 'body-rows', 'medium') };
    const held = own.widths?.find(({ name }) => name === 'medium');
    const { theme, why } = proposeSteps(viewOf(own), timetable, measure);
    expect(theme.widths?.find(({ name }) => name === 'medium')).toEqual({ ...held, width: 720 } as never);
    expect(why.length).toBeGreaterThan(0);
    expect(steps(theme)).toContain('medium 720');
    expect(steps(theme)).toContain('narrow 480');
    expect(beyond(theme)).toEqual([]);
  });
  it('say value by value what a step that is there says otherwise', () => {
    const low = (size: string): Theme => ({
      ...padded,
      widths: [
        {
          name: 'low',
          width: 400,
          values: { table: { rest: { arrangement: 'as it is' } }, 'body-rows': { rest: { size, 'padding-start': '19px' } } },
        },
      ],
    });
    const { theme, why } = proposeSteps(viewOf(low('17px')), timetable, measure);
    expect(theme.widths?.find(({ name }) => name === 'low')?.width).toBe(400);
    expect(why.join(' ')).toContain('(low, 400 px, which is there already). Body rows, at low: padding start: 19px becomes 9.5px.');
    expect(beyond(theme)).toEqual([]);
  });
  it('let rows stand side by side where a narrower step makes room for that itself', () => {
    const small = (['body-rows', 'column-headers', 'row-headers'] as const).reduce<Theme>(
      (theme, part) =>
        (['padding-start', 'padding-end', 'size'] as const).reduce(
          (each, name) => setValue(each, { part, condition: 'rest', step: 'small' }, name, name === 'size' ? '6px' : '0'),
          theme,
        ),
      { ...padded, widths: [{ name: 'small', width: 330, values: {} }] },
    );
    const { theme, why } = proposeSteps(viewOf(small), timetable, measure);
    expect(why.at(-1)).toContain('it fits side by side and stays so');
    expect(theme.widths?.find(({ name }) => name === 'small')?.values.table?.rest?.arrangement).toBe('as it is');
    expect(beyond(theme)).toEqual([]);
  });
});

describe('A long table in a theme that turns short ones', () => {
  it('surely fits from where it does as it is: only short ones are turned', () => {
    const row = Array<string>(6).fill('Fennel Point');
    const long = table([row, ...Array.from({ length: 300 }, () => row)], { headerRows: 1 });
    const arranged = (arrangement: string): ThemeView => viewOf(set(plain, 'arrangement', arrangement, 'table'));
    expect(surelyFits(arranged('turned'), long)).toEqual(surelyFits(arranged('as it is'), long));
    const short = { ...long, rows: long.rows.slice(0, 4) };
    expect(surelyFits(arranged('turned'), short)).not.toEqual(surelyFits(arranged('as it is'), short));
  });
});
