import { darkOfHouse } from '.';

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
      ['{'.repeat(500) + 'color-scheme: dark', undefined],
      ['@media (prefers-color-scheme: dark', undefined],
    ] as const)
      expect(darkOfHouse(css))
        .withContext(css.slice(0, 80))
        .toBe(dark as never);
  });
});
