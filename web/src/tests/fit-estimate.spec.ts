import { surelyFits, widestMeasure, type TypeSetting } from '../../../core/fit';
import { PLAIN_FORMAT } from '../../../core/data-types';
import { setValue } from '../../../core/edit';
import { tableOf, type Table } from '../../../core/table';
import { viewOf } from '../../../core/tests/themes';
import { families } from '../../../core/theme';
import { canvasMeasure } from '../app/workers/canvas-measure';
import { arranged, boats, boxOf, grown, placed, takeAway } from './placed';

afterEach(takeAway);

const texts = [
  'Lantern Ada Skerrin Fennel Point Tarn Isle Low Sound Paper Gull Wick Moth',
  'ABCDEFGHIJKLMNOPQRSTUVWXYZ ÄÖÜÉÈÅØÑ',
  'abcdefghijklmnopqrstuvwxyz äöüéèåøñß',
  '0123456789 £1,204.50 −12 (30) 2026-11-27 18:05 100 %',
  'WWW MMM mmm WAVE MAMMOTH commonwealth',
  'Fährverbindung Überfahrtszeiten straße',
  'Νύχτα στη θάλασσα ΑΒΓΔΕΖΗΘ ψωμί',
  'Ночной паром Щука Жёлтый Ювелир',
  'ليل على البحر مصباح آدا رأس الشمر',
  '… — – “quoted” ‘x’ & @ # * / \\',
  'illicit little lily',
];

describe('The width that a text has at most', () => {
  it('is beyond that in every face that ships, and in what browsers have', async () => {
    const faces: FontFace[] = [];
    const measure = canvasMeasure(new OffscreenCanvas(1, 1).getContext('2d') as OffscreenCanvasRenderingContext2D, 'sans-serif');
    const over: string[] = [];
    try {
      for (const { name, file } of families) {
        const face = new FontFace(name, `url(/faces/${file}/files/${file}-latin-wght-normal.woff2)`, { weight: '100 900' });
        document.fonts.add(await face.load());
        faces.push(face);
      }
      const all = [...families.map(({ name }) => `"${name}"`), 'serif', 'sans-serif', 'monospace', 'system-ui', 'Georgia', 'Verdana', ''];
      for (const family of all)
        for (const weight of [400, 700])
          for (const text of texts.flatMap((each) => [each, ...each.split(' ')])) {
            const type: TypeSetting = { family, size: 20, weight, isItalic: false, spacing: 0, figures: 'normal', caps: 'normal' };
            const [is, most] = [measure(text, type), widestMeasure(text, type)];
            if (is > most) over.push(`${family} ${weight} “${text}”: ${is.toFixed(1)} is over ${most.toFixed(1)}`);
          }
    } finally {
      faces.forEach((face) => document.fonts.delete(face));
    }
    expect(over.slice(0, 40)).toEqual([]);
  }, 120_000);
});

describe('The widths at which a table surely fits', () => {
  const wide = tableOf('Wide', [
    ['Lantern', 'Destination', 'Departure', 'Passengers'],
    ['Moth', 'Fennel Point', '18:35', '41'],
  ]);
  const overflows = (room: HTMLElement): boolean => {
    const table = room.querySelector('.zp-frame > table') as HTMLElement;
    return boxOf(table).width > boxOf(room.querySelector('.zp-frame') as HTMLElement).width + 0.5;
  };
  it('have no table that overflows, and begin not far from where it does', () => {
    for (const base of ['ground', 'hairline', 'nightfall', 'harbour']) {
      const theme = grown(base);
      const range = surelyFits(viewOf(theme), wide).at(-1);
      expect(range?.to).withContext(base).toBeUndefined();
      const from = range?.least ?? 0;
      expect(overflows(placed(theme, wide, from)))
        .withContext(base)
        .toBeFalse();
      expect(overflows(placed(theme, wide, Math.round(from * 0.55))))
        .withContext(base)
        .toBeTrue();
    }
  });
  it('are all at which rows are stacked, whatever words are in them', () => {
    const theme = arranged(grown('hairline'), 'stacked', 'narrow');
    const long: Table = { ...boats, rows: boats.rows.map((row, i) => (i === 2 ? ['Moth', 'Departure-from-the-farthest-quay', '19:05', '£8'] : row)) };
    const ranges = surelyFits(viewOf(theme), long);
    expect(ranges[0]?.from).toBe(0);
    for (const { from, to, least } of ranges)
      for (const width of [Math.max(120, from, least), to ?? Math.max(from, least) + 200])
        expect(overflows(placed(theme, long, width)))
          .withContext(`${width}`)
          .toBeFalse();
  });
  it('count a width that was asked for, and what visitors get in cells', () => {
    const view = viewOf(grown('hairline'));
    const [plain, own, visited] = [surelyFits(view, wide), surelyFits(view, wide, { own: 900 }), surelyFits(view, wide, { more: 40 })];
    expect(own[0]?.from).toBe(900);
    expect(visited[0]?.least).toBe((plain[0]?.least ?? 0) + 40);
    const asked = surelyFits(viewOf(setValue(grown('hairline'), { part: 'table', condition: 'rest' }, 'width', '800px')), wide);
    expect(asked[0]?.least).toBe(800);
  });
  it('are told of a long table by its widest rows, and of none whose rows hang on one another', () => {
    const rows = Array.from({ length: 5000 }, (_, i) => [i === 3333 ? 'Donaudampfschifffahrtsgesellschaft' : `b${i}`, '1', '2', '3']);
    const long = tableOf('Long', [['A', 'B', 'C', 'D'], ...rows]);
    const view = viewOf(grown('hairline'));
    expect(surelyFits(view, long)[0]?.least).toBeGreaterThan(400);
    expect(surelyFits(view, long)[0]?.least).toBe(
      surelyFits(view, tableOf('x', [['A', 'B', 'C', 'D'], ...rows.slice(3300, 3400), ...rows.slice(4900)]))[0]?.least,
    );
    const formatted = long.columns.map((column) => ({ ...column, type: 'number' as const, format: PLAIN_FORMAT }));
    expect(surelyFits(view, { ...long, columns: formatted })).toEqual([]);
    expect(surelyFits(view, { ...long, merges: [{ row: 9, column: 0, rows: 2, columns: 1 }] })).toEqual([]);
  });
});
