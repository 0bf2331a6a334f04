import { themeWith, viewOf } from '../../tests/themes';
import { compilePage, writeCss, writeHtml } from '../../compile';
import { tableOf } from '../../table';
import { emptyPage, readGround, readPage, swatchOf, type Block, type Page } from '../index';

const placed = (dress: { readonly id: string; readonly held?: number }): Block => ({
  ...{ id: 't', kind: 'table', shows: { kind: 'tables', id: 'a' }, dress: { kind: 'themes', ...dress } },
  ...{ width: 'fill', align: 'start', room: '0', visitor: null },
});
const pageOf = (...blocks: readonly Block[]): Page => ({ ...emptyPage('P', 'p'), blocks });
function compiled(page: Page): { readonly css: string; readonly html: string } {
  const themes = new Map([
    ['dusk', { key: 'dusk', view: viewOf(themeWith({})) }],
    ['dusk@2', { key: 'dusk-e2', view: viewOf(themeWith({}, { swatches: [{ name: 'mist', colour: '#010203' }] })) }],
    ['other', { key: 'other', view: viewOf(themeWith({})) }],
  ]);
  const { css, html } = compilePage({ page, tables: new Map([['a', tableOf('A', [['x']])]]), themes }, { stylesheet: '', siteName: 'S' });
  return { css: writeCss(css, 'compact'), html: writeHtml(html, 'compact') };
}
const section = (fields: object): Block => ({ id: 's', kind: 'section', fill: '', ink: '', blocks: [], ...fields });

describe('The ground of a block', () => {
  it('has room, a width in the middle, corners, a line and colours', () => {
    const { css } = compiled(
      pageOf(section({ fill: '#eee', ink: 'teal', padding: '8px 2em', width: '30rem', radius: '12px', line: '2px dashed #123456' })),
    );
    expect(css).toMatch(
      /#part-1\{padding:8px 2em 8px 2em;margin:1rem 0;box-sizing:border-box;width:30rem;max-width:100%;margin-inline:auto;background-color:#eeeeee;color:#008080;border-radius:12px;border:2px dashed #123456\}/,
    );
    expect(compiled(pageOf(section({}))).css).toContain('#part-1{padding:1rem 1.25rem;margin:1rem 0}');
    expect(compiled(pageOf(section({ width: 'fill' }))).css).not.toContain('box-sizing:border-box;width');
  });
  it('stands around a text only where one is said', () => {
    const text = (fields: object): Block => ({ id: 'x', kind: 'text', text: 'Hello', ...fields });
    expect(compiled(pageOf(text({}))).html).toContain('<p>Hello</p>');
    expect(compiled(pageOf(text({}))).html).not.toContain('part-1');
    const { html, css } = compiled(pageOf(text({ fill: '#fff8e0', padding: '1em' })));
    expect(html).toContain('<div id="part-1"><p>Hello</p></div>');
    expect(css).toContain('#part-1{padding:1em 1em 1em 1em;margin:1rem 0;background-color:#fff8e0}');
  });
  it('takes a swatch of a theme that is placed on the page, at the edition at which it stands', () => {
    const fill = section({ fill: 'mist of dusk', line: '1px solid deep of dusk' });
    const live = compiled(pageOf(fill, placed({ id: 'dusk' }))).css;
    expect(live).toContain('background-color:#eef5f6');
    expect(live).toContain('border:1px solid #123c4d');
    expect(compiled(pageOf(fill, placed({ id: 'dusk', held: 2 }))).css).toContain('background-color:#010203');
    // A theme that is not on the page has no say.
    expect(compiled(pageOf(fill, placed({ id: 'other' }))).css).not.toContain('#part-1{padding:1rem 1.25rem;margin:1rem 0;background-color');
  });
  it('refuses what is none of it, and says how it is written', () => {
    for (const [field, bad, say] of [
      ['fill', 'red}body{display:none', 'is no colour'],
      ['ink', 'mist of', 'is no colour'],
      ['padding', '1px 2px 3px 4px 5px', 'four sides'],
      ['width', 'wide', 'not a width'],
      ['radius', '50%', 'no height'],
      ['line', '0 solid red', 'is no line'],
      ['line', '1px solid url(x)', 'is no line'],
      ['line', '1px wavy red', 'is no line'],
    ] as const) {
      const read = readGround(field, bad);
      expect(read.ok ? '' : read.problems[0]?.say)
        .withContext(`${field} ${bad}`)
        .toContain(say);
      expect(readPage(pageOf(section({ [field]: bad }))).ok)
        .withContext(`${field} ${bad}`)
        .toBeFalse();
    }
    expect(readPage(pageOf(section({ fill: 'mist of dusk', padding: '4px', line: '1px solid teal', width: '', radius: '' }))).ok).toBeTrue();
    expect(readPage(pageOf({ id: 'x', kind: 'text', text: 'a', fill: '#fff' })).ok).toBeTrue();
    expect(readPage(pageOf(section({ shadow: '1px' }))).ok).toBeFalse();
    expect(swatchOf('mist of harbour-dusk')).toEqual({ swatch: 'mist', theme: 'harbour-dusk' });
  });
});
