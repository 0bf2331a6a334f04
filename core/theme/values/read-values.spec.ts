import { parseColour, toHex, type Rgba } from '../../colour';
import { themeWith, viewOf } from '../../tests/themes';
import { facesOf, families, fileOf, readSwatches, readValue, refersToSwatch, swatchesFromBrand, type ValueKind, type Vocabulary } from '../index';
import { contrast } from '../../colour';
import { isIn } from '../fonts/faces';

const colour = (text: string): Rgba => parseColour(text) ?? { r: 0, g: 0, b: 0, alpha: 1 };
const vocabulary: Vocabulary = {
  swatches: new Map([['deep', colour('#123c4d')]]),
  scale: { base: 14, ratio: 1.2, steps: [{ name: 'body', step: 0 }] },
  pictures: new Map([['own-picture', 'url("/pictures/x")']]),
};
const css = (kind: ValueKind, text: string): string => {
  const read = readValue(kind, text, vocabulary);
  return read.ok ? read.value.css : `${read.problems[0]?.say ?? ''} ${read.problems[0]?.remedy ?? ''}`;
};

describe('Bands', () => {
  for (const [text, wanted] of [
    ['2nd', 'even'],
    ['2', 'even'],
    ['2nd from 1', 'odd'],
    ['3rd', '3n'],
    ['3rd from 1', '3n+1'],
    ['5th from 2', '5n+2'],
  ] as const) {
    it(`${text} is counted as ${wanted}`, () => expect(css('band', text)).toBe(wanted));
  }
  for (const [text, says] of [
    ['1st', /out of range/],
    ['21st', /2nd to 20th/],
    ['3rd from 4', /first 3/],
    ['often', /not a count/],
  ] as const) {
    it(`${text} is refused with what would be right`, () => expect(css('band', text)).toMatch(says));
  }
});

describe('Shadows', () => {
  it('become CSS with the swatch in them', () => {
    expect(css('shadow', '0 2px 8px deep 20%')).toBe('0 2px 8px color-mix(in srgb, var(--zp-deep) 20%, transparent)');
    expect(css('shadow', 'inset 0 0 0 1px #abcdef')).toBe('inset 0 0 0 1px #abcdef');
  });
  it('can be several, with commas inside a colour left alone', () =>
    expect(css('shadow', '0 1px rgb(1, 2, 3), 0 4px 10px -2px deep')).toBe('0 1px #010203,0 4px 10px -2px var(--zp-deep)'));
  for (const [text, says] of [
    ['1px deep', /not a shadow/],
    ['0 2px', /not a shadow/],
    ['0 2px -3px deep', /out of range/],
    ['0 2pz deep', /not a unit/],
    ['0 2px dep', /Did you mean deep/],
    [Array(7).fill('0 1px deep').join(','), /at most 6/],
  ] as const) {
    it(`${text.slice(0, 30)} is refused with what would be right`, () => expect(css('shadow', text)).toMatch(says));
  }
});

describe('Pictures and icons', () => {
  it('of the shelf are written out, the theme’s own by address', () => {
    expect(css('picture', 'waves')).toMatch(/^url\("data:image\/svg\+xml,%3Csvg/);
    expect(css('picture', 'own-picture')).toBe('url("/pictures/x")');
    expect(css('icon', 'boat')).toContain('data:image');
  });
  it('that are not there are told with the nearest', () => {
    expect(css('picture', 'wavs')).toMatch(/no picture “wavs”.*mean waves/);
    expect(css('icon', 'boot')).toMatch(/no icon “boot”.*mean boat/);
  });
  it('have a size and a position', () => {
    expect([css('picture-size', 'its own'), css('picture-size', 'cover'), css('picture-size', '24px 50%')]).toEqual(['auto', 'cover', '24px 50%']);
    expect([css('picture-position', 'center'), css('picture-position', 'bottom'), css('picture-position', '10px 25%')]).toEqual([
      'center center',
      'center bottom',
      '10px 25%',
    ]);
    expect(css('picture-size', 'huge')).toMatch(/not a size/);
    expect(css('picture-position', 'left left left')).toMatch(/not a position/);
  });
});

describe('Shares and percentages', () => {
  it('are read where they mean something', () => {
    expect([css('share', '80%'), css('width', '75%'), css('size', '110%'), css('leading', '150%')]).toEqual(['0.8', '75%', '110%', '150%']);
  });
  it('are refused elsewhere, and out of range', () => {
    expect(css('length', '5%')).toMatch(/not a unit here/);
    expect(css('width', '140%')).toMatch(/0% to 100%/);
    expect(css('share', '140%')).toMatch(/not a share/);
  });
});

describe('Swatches that refer to others', () => {
  const read = (swatches: Readonly<Record<string, string>>): ReturnType<typeof readSwatches> =>
    readSwatches(Object.entries(swatches).map(([name, each]) => ({ name, colour: each })));
  it('take the other’s colour and a share of it', () => {
    const found = read({ night: '#102030', dusk: 'night', haze: 'dusk 50%' });
    const haze = found.get('haze');
    expect(haze?.ok && toHex(haze.value)).toBe('#10203080');
  });
  it('in a loop are told with the whole loop', () => {
    const found = read({ a: 'b', b: 'c 20%', c: 'a', d: '#ffffff' });
    const a = found.get('a');
    expect(a && !a.ok && a.problems[0]?.say).toContain('a → b → c → a');
    expect(found.get('d')?.ok).toBeTrue();
  });
  it('that are gone are told with the nearest', () => {
    const mist = read({ mist: 'depp', deep: '#123c4d' }).get('mist');
    expect(mist && !mist.ok && `${mist.problems[0]?.say ?? ''} ${mist.problems[0]?.remedy ?? ''}`).toMatch(/no swatch “depp”.*mean deep/);
  });
  it('tell CSS’s own colours from names', () =>
    expect([refersToSwatch('red'), refersToSwatch('deep'), refersToSwatch('#fff')]).toEqual([false, true, false]));
  it('say why in every value that uses a broken one, and the value gives way', () => {
    const look = viewOf(
      themeWith(
        { table: { rest: { ink: 'a' } } },
        {
          swatches: [
            { name: 'a', colour: 'b' },
            { name: 'b', colour: 'a' },
          ],
        },
      ),
    );
    const [said] = look.said({ part: 'table', condition: 'rest' }, 'ink');
    expect(said && !said.read.ok && said.read.problems[0]?.say).toContain('a → b → a');
  });
});

describe('Swatches from one brand colour', () => {
  const pairs = [
    ['on-header', 'header'],
    ...['paper', 'band', 'hover', 'select', 'total'].flatMap((ground) => ['ink', 'soft', 'accent'].map((ink) => [ink, ground] as const)),
  ] as const;
  for (let hue = 0; hue < 360; hue += 30) {
    for (const [l, c] of [
      [0.15, 0.05],
      [0.45, 0.2],
      [0.65, 0.15],
      [0.8, 0.12],
      [0.97, 0.02],
    ] as const) {
      it(`pass 4.5 : 1 in every text pair, oklch(${l} ${c} ${hue})`, () => {
        const named = new Map(swatchesFromBrand(colour(`oklch(${l} ${c} ${hue})`)).map((swatch) => [swatch.name, colour(swatch.colour)]));
        for (const [ink, ground] of pairs) {
          const [text, behind] = [named.get(ink), named.get(ground)];
          expect(text && behind && contrast(text, behind))
            .withContext(`${ink} on ${ground}`)
            .toBeGreaterThanOrEqual(4.5);
        }
      });
    }
  }
  it('keep the brand itself, and its header where white can be read on it', () => {
    const named = new Map(swatchesFromBrand(colour('#a3195b')).map((swatch) => [swatch.name, swatch.colour]));
    expect([named.get('brand'), named.get('header')]).toEqual(['#a3195b', '#a3195b']);
  });
});

describe('Shipped fonts', () => {
  it('are a dozen or more, with serif, mono, Greek, Cyrillic and Arabic among them', () => {
    expect(families.length).toBeGreaterThanOrEqual(12);
    for (const range of ['greek', 'cyrillic', 'arabic'] as const)
      expect(families.some(({ letters }) => letters.includes(range)))
        .withContext(range)
        .toBeTrue();
  });
  it('are asked for by the letters of a text only', () => {
    const family = families.find(({ name }) => name === 'source serif');
    if (!family) throw new Error('The family is shipped');
    expect(facesOf(family, 'Boat £6.50').map(({ file }) => file)).toEqual([fileOf(family, 'latin')]);
    expect(facesOf(family, 'Σκάφος').map(({ file }) => file)).toContain(fileOf(family, 'greek'));
    expect(facesOf(family).length).toBe(family.letters.length);
  });
  it('know their ranges', () =>
    expect([isIn('U+0-FF,U+131', 0x41), isIn('U+0-FF,U+131', 0x131), isIn('U+0-FF', 0x391)]).toEqual([true, true, false]));
});

describe('Values of rows, gaps, figures, changes and paper', () => {
  for (const [kind, text, wanted] of [
    ['gap', '8px', '8px'],
    ['gap', '0 8px', '0 8px'],
    ['gap', '4px 4px', '4px'],
    ['bar', '4px deep', '4px var(--zp-deep)'],
    ['bar', 'none', 'none'],
    ['figures', 'slashed zero, tabular, old style', 'oldstyle-nums tabular-nums slashed-zero'],
    ['figures', 'as the font has them', 'normal'],
    ['text-shadow', '0 1px 2px deep', '0 1px 2px var(--zp-deep)'],
    ['transition', 'at once', 'none'],
    ['transition', '150ms', 'background-color 0.15s ease,color 0.15s ease,box-shadow 0.15s ease'],
    ['transition', 'ink, fill 0.2s linear', 'background-color 0.2s linear,color 0.2s linear'],
    ['scale', '60%', '0.6'],
  ] as const)
    it(`${kind}: ${text}`, () => expect(css(kind, text)).toBe(wanted));
  for (const [kind, text, says] of [
    ['gap', '1px 2px 3px', /more than two/],
    ['gap', '1px -2px', /out of range/],
    ['bar', '4px', /not a bar/],
    ['bar', '50px deep', /out of range/],
    ['bar', '4px nowhere', /no swatch or colour/],
    ['figures', 'tabular, proportional', /one thing twice/],
    ['figures', 'roman', /none of the choices/],
    ['text-shadow', 'inset 0 1px deep', /no shadow such/],
    ['text-shadow', '0 1px 2px 3px deep', /no shadow such/],
    ['transition', 'fill', /how long/],
    ['transition', '5s', /out of range/],
    ['transition', 'fill 150ms; } body {', /says nothing of a change/],
    ['scale', '20%', /no size/],
  ] as const)
    it(`${kind}: ${text} is refused`, () => expect(css(kind, text)).toMatch(says));
});
