import { viewOf } from '../../../core/tests/themes';
import { askedBy, frameRules, framedTable, themeCss, writeCss, writeHtml } from '../../../core/compile';
import { fitOf, piecesOf, widestMeasure, type Measure } from '../../../core/fit';
import { tableOf, mergeCells, type Table } from '../../../core/table';
import { dice, randomTheme, type Dice, starterNames } from '../../../core/tests/random';
import { type Theme } from '../../../core/theme';
import { canvasMeasure } from '../app/workers/canvas-measure';
import { widthsInDocument } from '../app/workers/figure-widths';
import { forSeeds } from '../../../core/tests/seeded';

const shipped = [
  ['inter', 'Inter'],
  ['source serif', 'Source Serif 4'],
  ['figtree', 'Figtree'],
  ['bitter', 'Bitter'],
  ['jetbrains mono', 'JetBrains Mono'],
] as const;
const words = [
  'Skerrin',
  'Tarn Isle',
  'half-board, from 12:30',
  'Low Sound – Oldquay',
  '£1,204.50',
  '−12',
  '2026-11-27',
  'no',
  'Fährverbindung',
  'a/b',
  '18:05',
  'what?now',
  'AVATAR To',
  '100 %',
];
const text = (d: Dice): string => Array.from({ length: d.whole(0, 3) }, () => d.pick(words)).join(' ');

/** A table of words and numbers as people have them, with cells merged here and there. */
function someTable(d: Dice): Table {
  const [height, width] = [d.whole(2, 7), d.whole(1, 6)];
  const rows = Array.from({ length: height }, () => Array.from({ length: width }, () => text(d)));
  let table = tableOf('Some', rows, { headerRows: d.whole(0, 2), rowHeaders: d.whole(0, 1), caption: d.chance(0.3) ? 'Crossings' : '' });
  for (let i = d.whole(0, 2); i > 0; i--) {
    const at = { row: d.whole(0, height - 1), column: d.whole(0, width - 1) };
    const merged = mergeCells(table, at, { row: at.row, column: Math.min(width - 1, at.column + d.whole(1, 2)) });
    if (merged.ok) table = merged.value;
  }
  return table;
}

/** A share of the table makes no natural width: it takes what there is. */
const withoutShare = (part: Theme['values']['row-headers']): Theme['values']['row-headers'] =>
  /%|fill/.test(part?.rest?.width ?? '') ? { ...part, rest: { ...part?.rest, width: '9em' } } : part;

describe('How wide a table has to be', () => {
  let measure: Measure;
  const faces: FontFace[] = [];
  // Other specs go on without them.
  afterAll(() => faces.forEach((face) => document.fonts.delete(face)));
  beforeAll(async () => {
    for (const [, family] of shipped) {
      const file = family.toLowerCase().replaceAll(' ', '-');
      const face = new FontFace(family, `url(/faces/${file}/files/${file}-latin-wght-normal.woff2)`, { weight: '100 900' });
      document.fonts.add(await face.load());
      faces.push(face);
    }
    measure = canvasMeasure(
      new OffscreenCanvas(1, 1).getContext('2d') as OffscreenCanvasRenderingContext2D,
      'Inter',
      (text, type) => widthsInDocument([[text, type]], 'Inter')[0],
    );
  }, 30_000);

  /** Least and natural width in Chromium. */
  function observed(theme: Theme, table: Table): { least: number; natural: number } {
    const host = document.createElement('div');
    const shadow = host.attachShadow({ mode: 'open' });
    document.body.append(host);
    try {
      const css = writeCss([...frameRules, ...themeCss(viewOf(theme), { key: 'case', lean: true })]);
      const markup = writeHtml(
        framedTable(table, { id: 'case', theme: 'case', ...askedBy(viewOf(theme), table), labelled: false, fewer: false, turned: false }),
        'compact',
      );
      shadow.innerHTML = `<style>:host{all:initial;display:block;font:16px/1.4 Inter;color:#000}${css}</style><div>${markup}</div>`;
      const room = shadow.querySelector('div') as HTMLElement;
      const box = shadow.querySelector('table') as HTMLElement;
      const at = (width: number): number => (
        (room.style.width = `${width}px`),
        (box.style.width = width > 1000 ? 'auto' : '100%'),
        box.getBoundingClientRect().width
      );
      return { least: at(1), natural: at(20_000) };
    } finally {
      host.remove();
    }
  }

  it('has pieces where Chromium breaks lines', () => {
    const probe = document.createElement('div');
    probe.style.cssText = 'position:absolute;width:min-content;font:20px Inter';
    document.body.append(probe);
    for (const each of [...words, 'aa-bb', '11-22', '-5', 'a —b', 'x—y', '“quoted”', 'd’accord', 'e.g. this', 'A–B', '日本語の表', 'one two']) {
      probe.textContent = each;
      const widest = Math.max(
        ...piecesOf(each).map((piece) =>
          measure(piece, { family: 'Inter', size: 20, weight: 400, isItalic: false, spacing: 0, figures: 'normal', caps: 'normal' }),
        ),
      );
      expect(Math.abs(probe.getBoundingClientRect().width - widest))
        .withContext(each)
        .toBeLessThan(1);
    }
    probe.remove();
  });

  forSeeds('is what Chromium makes it, within 2 px', { all: 300, usual: 100 }, (seed) => {
    const d = dice(41_000 + seed);
    const random = randomTheme(d, starterNames);
    const font = d.pick(shipped)[0];
    const theme: Theme = {
      ...random,
      values: {
        ...random.values,
        table: { rest: { ...random.values.table?.rest, font, layout: 'by content', width: 'content' } },
        'row-headers': withoutShare(random.values['row-headers']),
      },
    };
    const table = someTable(d);
    const [core, chromium] = [fitOf(viewOf(theme), table, measure), observed(theme, table)];
    for (const kind of ['least', 'natural'] as const)
      expect(Math.abs(core[kind] - chromium[kind]))
        .withContext(`${kind}, seed ${seed}: ${core[kind]} and ${chromium[kind]}`)
        .toBeLessThanOrEqual(2);
    // What is told where no browser can be asked is no less, so that a table surely fits from there on.
    const bound = fitOf(viewOf(theme), table, widestMeasure).least;
    expect(bound).withContext(`at most, seed ${seed}`).toBeGreaterThanOrEqual(chromium.least);
    bounds.push(bound / chromium.least);
  });
  const bounds: number[] = [];
  afterAll(() => {
    const middle = bounds.sort((a, b) => a - b)[bounds.length >> 1] ?? 1;
    // A bound that is far off would let frames scroll, and cut off, where they need not.
    expect(middle).withContext('the bound, to what it is').toBeLessThan(1.35);
  });
});
