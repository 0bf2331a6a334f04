import { compilePage, writeCss, writeHtml } from '../compile';
import { gridTable, themeWith, viewOf } from '../tests/themes';
import type { Theme } from '../theme';
import { emptyPage, pageChanges, readPage, schemeOf, type Page, type TableBlock } from '.';

const block = (id: string, more: Partial<TableBlock> = {}): TableBlock => ({
  id,
  kind: 'table',
  shows: { kind: 'tables', id: 't' },
  dress: { kind: 'themes', id: 'x' },
  width: 'fill',
  align: 'start',
  room: '0',
  visitor: null,
  ...more,
});
const page = (more: Partial<Page> = {}, ...blocks: readonly TableBlock[]): Page => ({ ...emptyPage('Night', 'night'), blocks, ...more });

describe('How a page’s tables go with dark', () => {
  const bare = themeWith({ table: { rest: { fill: 'mist' } } });
  const theme: Theme = { ...bare, modes: [{ name: 'dark', swatches: [{ name: 'mist', colour: '#15191c' }], values: {} }] };
  const compiled = (of: Page, dress: Theme = theme): { readonly css: string; readonly classes: readonly string[] } => {
    const { html, css } = compilePage(
      { page: of, tables: new Map([['t', gridTable(2, 2)]]), themes: new Map([['x', { key: 'x', view: viewOf(dress) }]]) },
      { stylesheet: '/s.css', siteName: 'Site' },
    );
    return { css: writeCss(css, 'compact'), classes: [...writeHtml(html).matchAll(/<table class="([\w-]+)/g)].map(([, name = '']) => name) };
  };
  it('is as the placement says, else as the page does; else they are bright', () => {
    expect([schemeOf({}, {}), schemeOf({}, { scheme: 'follows' }), schemeOf({ scheme: 'light' }, { scheme: 'dark' })]).toEqual([
      'light',
      'follows',
      'light',
    ]);
    expect([schemeOf({}, {}, 'follows'), schemeOf({}, { scheme: 'light' }, 'follows')]).toEqual(['follows', 'light']);
    const { css, classes } = compiled(page({}, block('a')));
    expect(classes).toEqual(['zp-x']);
    expect(css).not.toContain('#15191c');
  });
  it('has each way under a class of its own, once, so that they stand beside each other', () => {
    const { css, classes } = compiled(
      page({ scheme: 'follows' }, block('a'), block('b', { scheme: 'dark' }), block('c', { scheme: 'light' }), block('d')),
    );
    expect(classes).toEqual(['zp-x-follows', 'zp-x-dark', 'zp-x', 'zp-x-follows']);
    expect(css.match(/@media \(prefers-color-scheme:dark\)\{\.zp-x-follows\{--zp-mist:#15191c/g)?.length).toBe(1);
    expect(css).toMatch(/@media screen\{\.zp-x-dark\{--zp-mist:#15191c;color-scheme:dark\}/);
    expect(css).toContain('.zp-x{--zp-mist:#eef5f6}');
  });
  it('has colours of what stands beside the tables with it, where they are swatches', () => {
    const section = {
      id: 's',
      kind: 'section' as const,
      fill: 'mist of x',
      ink: '#123456',
      blocks: [{ id: 'h', kind: 'heading' as const, level: 2 as const, text: 'H' }],
    };
    const css = (scheme?: Page['scheme'], dress = theme): string =>
      compiled({ ...page(scheme ? { scheme } : {}), blocks: [section, block('a', { scheme: 'light' })] }, dress).css;
    expect(css()).toContain('background-color:#eef5f6;color:#123456');
    expect(css('follows')).toMatch(/@media \(prefers-color-scheme:dark\)\{#part-1\{background-color:#15191c\}\}/);
    expect(css('follows')).toMatch(/@media \(not \(prefers-color-scheme:dark\)\)\{#part-1\{background-color:#eef5f6\}\}/);
    expect(css('dark')).toMatch(/@media print\{#part-1\{background-color:#eef5f6\}\}@media screen\{#part-1\{background-color:#15191c\}\}/);
    expect(css('follows', bare)).toBe(css(undefined, bare));
  });
  it('makes nothing more of a theme that has no dark', () => {
    const [one, two] = [page({}, block('a')), page({ scheme: 'dark' }, block('a', { scheme: 'follows' }))].map((each) => compiled(each, bare));
    expect(two).toEqual(one as never);
  });
  it('is read, refused where it is something else, and told where it changes', () => {
    const said = page({ scheme: 'follows' }, block('a', { scheme: 'dark' }));
    expect(readPage(said)).toEqual({ ok: true, value: said });
    expect([readPage({ ...said, scheme: 'night' }).ok, readPage(page({}, block('a', { scheme: 'night' as never }))).ok]).toEqual([false, false]);
    expect(pageChanges(page({}, block('a')), said, () => 'A')).toEqual([
      'Its tables go with dark otherwise.',
      'The table “A” has another way with dark.',
    ]);
  });
});
