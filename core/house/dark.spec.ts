import { darkOfHouse, readDarkMark } from '.';

const markOrBy = (css: string): string | undefined => {
  const found = darkOfHouse(css);
  return found?.mark ?? found?.by;
};

describe('A house stylesheet that goes dark', () => {
  it('is told by its media queries, or its color-scheme, however they are written', () => {
    for (const [css, dark] of [
      ['@media (prefers-color-scheme: dark) { body { background: #111 } }', 'prefers-color-scheme'],
      ['@media screen and (PREFERS-COLOR-SCHEME:DARK){a{}}', 'prefers-color-scheme'],
      ['@layer a { @media (prefers-color-scheme: dark) { p { color: #fff } } }', 'prefers-color-scheme'],
      [':root { color-scheme: light dark }', 'color-scheme'],
      ['@media (prefers-color-scheme: light) { body { color: #000 } }', undefined],
      ['/* @media (prefers-color-scheme: dark) */ p { content: "color-scheme: dark" }', undefined],
      [':root { color-scheme: light }', undefined],
      ['@media (prefers-color-scheme: dark) { p { color: red } } .dark p { color: #fff }', '.dark'],
      ['html.theme-dark { --ground: #111 }', '.theme-dark'],
      [':root[data-look=dark] a { color: #fff }', '[data-look="dark"]'],
      ['.night-mode { --ground: #111; }', '.night-mode'],
      ['body.dark, a { color: #fff }', '.dark'],
      ['.card.dark p { color: #fff } .dark { color: #fff } .darkroom p { color: #fff } p .dark { --a: 1 }', undefined],
      ['{'.repeat(500) + 'color-scheme: dark', undefined],
      ['@media (prefers-color-scheme: dark', undefined],
    ] as const)
      expect(markOrBy(css)).withContext(css.slice(0, 80)).toBe(dark);
  });
  it('may be named as it is typed', () => {
    for (const [text, mark] of [
      ['dark', '.dark'],
      [' .dark ', '.dark'],
      ['[data-look=dark]', '[data-look="dark"]'],
      ["[data-look='dark']", '[data-look="dark"]'],
      ['[dark]', '[dark]'],
      ['.a .b', undefined],
      ['.dark{}', undefined],
      ['[a="b"]] *', undefined],
      ['', undefined],
    ] as const) {
      const read = readDarkMark(text);
      expect(read.ok ? read.value : undefined)
        .withContext(text)
        .toBe(mark);
    }
  });
});
