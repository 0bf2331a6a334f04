import { seasonPasses } from '../../examples';
import { emptyPage, tableRef, type TableBlock } from '../../page';
import { wholeComparison, type Pricing } from '../../pricing';
import { themeWith, viewOf } from '../../tests/themes';
import { compilePage, writeCss, writeHtml, type PageInput } from '../index';

const block = (plans?: TableBlock['plans']): TableBlock => ({
  ...{ id: 'a', kind: 'table', shows: { kind: 'pricings', id: 's' }, dress: { kind: 'themes', id: 'x' } },
  ...{ width: 'fill', align: 'start', room: '8px 0', visitor: null },
  ...(plans ? { plans } : {}),
});
const theme = themeWith({ 'period-switch': { rest: { ink: '#0a0b0c' } }, plan: { rest: { fill: '#fafbfc' } } });

function compiled(plans?: TableBlock['plans'], pricing: Pricing = seasonPasses): { readonly html: string; readonly css: string } {
  const placed = block(plans);
  const ref = tableRef(placed);
  const input: PageInput = {
    page: { ...emptyPage('Crossings', 'crossings'), blocks: [placed] },
    tables: new Map([[ref, wholeComparison(pricing).table]]),
    pricings: new Map([[ref, pricing]]),
    themes: new Map([['x', { key: 'own', view: viewOf(theme) }]]),
  };
  const { html, css } = compilePage(input, { stylesheet: 's.css', siteName: 'Low Sound', plans: '/plans.js' });
  return { html: writeHtml(html, 'compact'), css: writeCss(css, 'compact') };
}
const count = (text: string, what: RegExp): number => text.match(what)?.length ?? 0;
const plain: Pricing = { ...seasonPasses, currencies: seasonPasses.currencies.slice(0, 1), periods: seasonPasses.periods.slice(0, 1) };

describe('What visitors choose of a pricing table', () => {
  it('is chosen by one switch for the cards and the comparison, beside both', () => {
    const { html, css } = compiled({ form: 'cards and comparison' });
    expect(count(html, /<fieldset class="zp-periods">/g)).toBe(1);
    expect(count(html, /<fieldset class="zp-currencies">/g)).toBe(1);
    expect(html).toMatch(/<div class="zp-box" id="box-1"><div class="zp-cards zp-own-cards zp-choices"[^>]*>.*?<\/div><div id="place-1-cards"/);
    expect(css).toContain('.zp-choices:has(.zp-periods .zp-p1:checked)~* .zp-of-period:not(.zp-p1){display:none}');
  });

  it('has one row of prices in the comparison, and in each of its cells the price for every choice', () => {
    const { html } = compiled({ form: 'comparison' });
    const [row = ''] = /<tr><th[^>]*>Price<\/th>.*?<\/tr>/.exec(html) ?? [];
    expect(count(row, /<td/g)).toBe(3);
    expect(count(row, /<span class="zp-of-period zp-p\d zp-of-currency zp-c\d">/g)).toBe(3 * 2 * 2);
    expect(row).toContain('<span class="zp-of-period zp-p0 zp-of-currency zp-c0">£9.50<br></span>');
    expect(row).toMatch(/<span class="zp-of-period zp-p1 zp-of-currency zp-c0">£[\d.]+<br><small>/);
    // The last one has nothing to break from.
    expect(row).toMatch(/[^>]<\/small><\/span><\/td>|[^>]<\/span><\/td>/);
  });

  it('has its switch where the comparison stands alone, with no more of what dresses cards', () => {
    const { html, css } = compiled();
    expect(count(html, /<fieldset/g)).toBe(2);
    expect(html).not.toContain('place-1-cards"');
    expect(css).toContain('#0a0b0c');
    // The names of the switches are heard alone.
    expect(css).toContain('.zp-heard{position:absolute');
    expect(css).not.toContain('#fafbfc');
    expect(html).toContain('src="/plans.js"');
  });

  it('is nothing where there is one price: no switch, no rule, no script', () => {
    for (const plans of [undefined, { form: 'cards and comparison' } as const]) {
      const { html, css } = compiled(plans, plain);
      expect(html).not.toMatch(/<fieldset|zp-of-period|zp-of-currency/);
      expect(css).not.toMatch(/zp-of-period|zp-of-currency/);
    }
    expect(compiled(undefined, plain).html).not.toContain('plans.js');
  });
});
