import { viewOf } from '../../../core/tests/themes';
import { parseColour, type Rgba } from '../../../core/colour';
import { besideOf, element, frameRules, tableElement, themeCss, writeCss, writeHtml } from '../../../core/compile';
import { dice, randomTheme, type Dice, starterNames } from '../../../core/tests/random';
import { markedValueIn, valueMarkKinds, gridOf, tableOf, type ValueMark, type Table } from '../../../core/table';
import { propertyOf, type Theme } from '../../../core/theme';
import { colourFact, read } from './observed';
import { forSeeds } from '../../../core/tests/seeded';

const swatch = (d: Dice): string => `${d.pick(['mist', 'deep', 'glow', 'lamp'])}${d.chance(0.3) ? ` ${d.whole(1, 9)}0%` : ''}`;

function randomValueMark(d: Dice, kind: ValueMark['kind']): ValueMark {
  const settings: Record<string, string> = {
    colour: swatch(d),
    quiet: swatch(d),
    ink: swatch(d),
    size: `${d.whole(8, 30)}px`,
    most: String(d.whole(3, 10)),
  };
  if (d.chance(0.5)) settings['colours'] = `open = ${swatch(d)}; late = ${swatch(d)}`;
  return { name: 'D', from: '', kind, settings };
}

function caseOf(seed: number): { readonly theme: Theme; readonly table: Table; readonly dressing: ValueMark } {
  const d = dice(seed);
  const theme = randomTheme(d, starterNames);
  const dressing = randomValueMark(d, d.pick(valueMarkKinds).name);
  const values = Array.from({ length: 6 }, () =>
    d.pick(['open', 'late', 'yes', 'no', 'Ada Lovell', `${d.whole(-2, 12)}`, `${d.whole(0, 90) / 10}`, '']),
  );
  const table = tableOf('x', [['A', 'B'], ...values.map((value, i) => [`${i}`, value])], {
    dressings: [dressing],
    exceptions: [{ row: null, column: 1, reach: '', dressing: 'D', values: {} }],
  });
  return { theme, table, dressing };
}

describe('Value marks are painted as they are made', () => {
  forSeeds('for random values', { all: 200, usual: 100 }, (seed) => {
    const { theme, table, dressing } = caseOf(seed);
    const host = document.createElement('div');
    const shadow = host.attachShadow({ mode: 'open' });
    document.body.append(host);
    const css = writeCss([...frameRules, ...themeCss(viewOf(theme), { key: 'case', beside: besideOf([table]), lean: seed % 2 === 0 })]);
    const markup = element('div', {}, tableElement(table, { id: 'case', theme: 'case', slots: true }));
    shadow.innerHTML = `<style>:host{all:initial;font:16px/normal page;color:#000}${css}</style>${writeHtml(markup)}`;
    try {
      compare(seed, theme, table, dressing, shadow);
    } finally {
      host.remove();
    }
  });
});

function compare(seed: number, theme: Theme, table: Table, dressing: ValueMark, shadow: ShadowRoot): void {
  const look = viewOf(theme);
  const rgba = (text: string): Rgba => {
    const value = look.read(propertyOf('ink'), text);
    return value.ok && value.value.kind === 'colour' ? value.value.rgba : (parseColour(text) ?? { r: 0, g: 0, b: 0, alpha: 1 });
  };
  const same = (what: string, painted: string, said: string | undefined): void =>
    expect(colourFact(read(painted)))
      .withContext(`seed ${seed}, ${dressing.kind}, ${what}`)
      .toBe(colourFact(rgba(said ?? '')));
  const { settings } = dressing;
  const colours = (settings.colours ?? '').split('; ').map((pair) => pair.split(' = ')[1]);
  for (const cell of gridOf(table).rows.flat()) {
    if (cell.column !== 1 || cell.row === 0) continue;
    const at = shadow.querySelector<HTMLElement>(`[data-slot="${cell.row} ${cell.column}"]`);
    const dressed = markedValueIn(table, cell, dressing);
    const mark = at?.firstElementChild;
    if (!dressed || !mark) {
      expect(at?.textContent).withContext(`seed ${seed}`).toBe(cell.text);
      continue;
    }
    const style = getComputedStyle(mark);
    switch (dressed.kind) {
      case 'rating':
      case 'meter': {
        same('colour', style.fill, settings.colour);
        same('what is empty', style.backgroundColor, settings.quiet);
        const [bar, whole] = [mark.firstElementChild?.getBoundingClientRect().width ?? 0, mark.getBoundingClientRect().width];
        expect(bar / whole)
          .withContext(`seed ${seed}, share`)
          .toBeCloseTo(dressed.share, 2);
        const many = dressed.kind === 'rating' ? Number(settings.most) : 1;
        expect(whole)
          .withContext(`seed ${seed}, width`)
          .toBeCloseTo(parseFloat(settings.size ?? '') * many, 1);
        break;
      }
      case 'status':
      case 'icon':
        same('mark', getComputedStyle(mark, '::before').backgroundColor, dressed.which < 0 ? settings.colour : colours[dressed.which]);
        break;
      case 'tag':
        same('ground', style.backgroundColor, dressed.which < 0 ? settings.colour : colours[dressed.which]);
        same('ink', style.color, settings.ink);
        break;
      case 'yes-no':
        same('mark', style.backgroundColor, dressed.yes ? settings.colour : settings.quiet);
        break;
      case 'button':
        same('ground', style.backgroundColor, settings.colour);
        same('ink', style.color, settings.ink);
        break;
      case 'person':
        same('ground', getComputedStyle(mark.firstElementChild ?? mark).backgroundColor, settings.colour);
        break;
      case 'picture':
        expect(style.height).toBe(settings.size ?? '');
    }
  }
}
