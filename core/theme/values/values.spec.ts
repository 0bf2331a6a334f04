import { TRANSPARENT, parseColour, type Rgba } from '../../colour';
import { tidy, type Value, type Vocabulary } from './reading';
import { readValue } from './values';
import type { ValueKind } from './kinds';

const colour = (text: string): Rgba => parseColour(text) ?? TRANSPARENT;
const vocabulary: Vocabulary = {
  swatches: new Map([
    ['mist', colour('#eef5f6')],
    ['deep', colour('#123c4d')],
  ]),
  scale: {
    base: 14,
    ratio: 1.15,
    steps: [
      { name: 'small', step: -1 },
      { name: 'body', step: 0 },
      { name: 'lead', step: 1 },
    ],
  },
};
const good = (kind: ValueKind, text: string): Value => {
  const read = readValue(kind, text, vocabulary);
  if (!read.ok) throw new Error(read.problems[0]?.say);
  return read.value;
};
const wrong = (kind: ValueKind, text: string): string => {
  const read = readValue(kind, text, vocabulary);
  if (read.ok) throw new Error(`${text} was read as ${read.value.css}`);
  return `${read.problems[0]?.say ?? ''} ${read.problems[0]?.remedy ?? ''}`;
};

describe('Values become CSS', () => {
  for (const [kind, text, css] of [
    ['colour', 'mist', 'var(--zp-mist)'],
    ['colour', 'deep 9%', 'color-mix(in srgb, var(--zp-deep) 9%, transparent)'],
    ['colour', '#EEF5F6', '#eef5f6'],
    ['colour', '#f3b61f 50%', '#f3b61f80'],
    ['colour', 'none', 'transparent'],
    ['colour', 'page', 'inherit'],
    ['length', '7px', '7px'],
    ['length', '.5em', '0.5em'],
    ['length', '0', '0'],
    ['size', 'body', '14px'],
    ['size', 'body+1', '16.1px'],
    ['size', 'body + 1', '16.1px'],
    ['size', 'lead-2', '12.17px'],
    ['size', '1.1rem', '1.1rem'],
    ['weight', 'semibold', '600'],
    ['weight', '350', '350'],
    ['case', 'as typed', 'none'],
    ['case', 'Uppercase', 'uppercase'],
    ['spacing', '-0.02em', '-0.02em'],
    ['leading', '1.4', '1.4'],
    ['leading', '20px', '20px'],
    ['align', 'end', 'end'],
    ['height', 'auto', 'auto'],
    ['line', '1px mist', '1px solid var(--zp-mist)'],
    ['line', '2px dashed deep 40%', '2px dashed color-mix(in srgb, var(--zp-deep) 40%, transparent)'],
    ['line', '0.5px dotted rgb(1, 2, 3)', '0.5px dotted #010203'],
    ['line', 'none', 'none'],
    ['cells', 'spaced', 'spaced'],
    ['family', 'Brand Sans, sans-serif', '"Brand Sans", sans-serif'],
  ] as const) {
    it(`${kind}: ${text}`, () => expect(good(kind, text).css).toBe(css));
  }

  it('keeps what a colour comes to, with its share', () => {
    const value = good('colour', 'deep 9%');
    expect(value.kind === 'colour' && value.rgba.alpha).toBeCloseTo(0.09, 6);
    expect(value.kind === 'colour' && value.swatch).toBe('deep');
  });
  it('reads a swatch before a CSS colour of the same name', () => {
    const read = readValue('colour', 'red', { ...vocabulary, swatches: new Map([['red', colour('#123456')]]) });
    expect(read.ok && read.value.css).toBe('var(--zp-red)');
  });
});

describe('Values with a mistake say what is wrong and what would be right', () => {
  for (const [kind, text, says] of [
    ['colour', 'mits', /no swatch or colour “mits”.*Did you mean mist\?/],
    ['colour', '#12', /“#12” is not a colour.*3, 4, 6 or 8 digits/],
    ['colour', 'eef5f6', /lacks its #.*#eef5f6/],
    ['colour', 'deep 140%', /more than all of it/],
    ['length', '7pz', /“pz” is not a unit here.*7px/],
    ['length', '7', /no unit.*7px/],
    ['length', '-4px', /out of range.*0 to 400/],
    ['length', 'wide', /not a length/],
    ['size', 'bodi', /no type step “bodi”.*body/],
    ['size', 'body+40', /comes to/],
    ['weight', 'heavyy', /not a weight/],
    ['weight', '1200', /not a weight/],
    ['case', 'shout', /none of the choices/],
    ['line', '1 mist', /width is in px/],
    ['line', '1px solid', /has no colour/],
    ['line', '90px solid mist', /out of range/],
    ['line', '1px wavy mist', /no swatch or colour “wavy mist”/],
    ['family', 'humanst', /no font.*humanist/],
    ['family', 'Brand"; color: red, serif', /no font/],
    ['cells', 'glued', /none of the choices/],
    ['colour', '   ', /nothing here/],
    ['colour', 'x'.repeat(300), /too long/],
  ] as const) {
    it(`${kind}: ${text.slice(0, 30)}`, () => expect(wrong(kind, text)).toMatch(says));
  }

  it('lets no text through that could close a declaration', () => {
    for (const kind of ['colour', 'length', 'size', 'family', 'line', 'case'] as const) {
      for (const attack of [
        'red;} body{display:none',
        'url(javascript:alert(1))',
        '</style><script>',
        'expression(1)',
        'var(--x)',
        '1px solid red;}',
      ]) {
        const read = readValue(kind, attack, vocabulary);
        expect(read.ok).withContext(`${kind} ${attack}`).toBeFalse();
      }
    }
  });
});

describe('A value’s text', () => {
  it('is kept trimmed, in single spaces and lower case', () => expect(tidy('  Deep   9% ')).toBe('deep 9%'));
  it('keeps the case of font names', () => expect(tidy('Brand Sans, Serif')).toBe('Brand Sans, Serif'));
});
