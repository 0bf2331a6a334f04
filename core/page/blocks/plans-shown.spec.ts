import { compilePage, writeCss, writeHtml } from '../../compile';
import { seasonPasses } from '../../examples';
import { wholeComparison, type Pricing } from '../../pricing';
import { themeWith, viewOf } from '../../tests/themes';
import { pageChanges, readPage, type Page, type PlansShown } from '../index';

const page = (plans: unknown, kind = 'pricings'): unknown => ({
  format: 'zest-page/6',
  name: 'Passes',
  slug: 'passes',
  blocks: [
    { id: 'h', kind: 'heading', level: 2, text: 'Prices' },
    {
      ...{ id: 'a', kind: 'table', shows: { kind, id: 'p' }, dress: { kind: 'themes', id: 't' }, plans },
      ...{ width: 'fill', align: 'start', room: '0', visitor: null },
    },
  ],
});
const pageOf = (plans: PlansShown | undefined): Page => {
  const read = readPage(page(plans));
  if (!read.ok) throw new Error(read.problems[0]?.say);
  return read.value;
};
const says = (plans: unknown, kind?: string): string => {
  const read = readPage(page(plans, kind));
  return read.ok ? '' : read.problems.map(({ say }) => say).join(' ');
};
const compiled = (plans: PlansShown | undefined, passes: Pricing = seasonPasses): { readonly html: string; readonly css: string } => {
  const { html, css } = compilePage(
    {
      ...{ page: pageOf(plans), tables: new Map([['p', wholeComparison(passes).table]]), pricings: new Map([['p', passes]]) },
      themes: new Map([['t', { key: 'k', view: viewOf(themeWith({ plan: { rest: { fill: 'mist' } } })) }]]),
    },
    { siteName: 'Site', stylesheet: '/s.css' },
  );
  return { html: writeHtml(html, 'compact'), css: writeCss(css, 'compact') };
};

describe('The form in which a placement shows plans', () => {
  it('is kept with a page, and refused with a sentence where it is none', () => {
    const plans: PlansShown = { form: 'cards', lists: 'common lines', at: [{ upTo: 480, form: 'comparison' }], told: true };
    const [, block] = pageOf(plans).blocks;
    expect(block?.kind === 'table' && block.plans).toEqual(plans);
    expect(says({ form: 'tiles' })).toContain('Plans are shown as comparison, cards, cards and comparison, one plan at a time.');
    expect(says({ form: 'cards', lists: 'any' })).toContain('Cards have own lists or common lines.');
    expect(says({ form: 'cards', at: [{ upTo: 4, form: 'cards' }] })).toContain('A form is said for containers up to 120 to 4000 px wide');
    const twice = { upTo: 480, form: 'cards' };
    expect(says({ form: 'cards', at: [twice, twice] })).toContain('each width once');
    expect(says({ form: 'cards', more: 1 })).toContain('has no other fields');
    expect(says({ form: 'cards' }, 'tables')).toContain('Only a pricing table has a form of its plans.');
  });
  it('is told where two windows or two editions differ in it', () =>
    expect(pageChanges(pageOf(undefined), pageOf({ form: 'cards' }), () => 'Passes').join(' ')).toContain('form of its plans'));
  it('is the comparison where nothing is said, with not a byte of cards', () => {
    const single: Pricing = { ...seasonPasses, currencies: seasonPasses.currencies.slice(0, 1), periods: seasonPasses.periods.slice(0, 1) };
    const { html, css } = compiled(undefined, single);
    expect(html).toContain('<table');
    expect(html + css).not.toMatch(/zp-plan|zp-k-cards/);
    expect(compiled({ form: 'comparison' }, single)).toEqual({ html, css });
    // Where something can be chosen, of all that cards have the switch alone.
    const choosing = compiled(undefined);
    expect(choosing.html).toMatch(/<div class="zp-cards zp-k-cards zp-choices"[^>]*>/);
    expect(choosing.html + choosing.css).not.toMatch(/zp-plan|zp-price|zp-act/);
    expect(compiled({ form: 'comparison' })).toEqual(choosing);
  });
  it('is one plan at a time, chosen without a script, the one that is pushed first; all of them on paper', () => {
    const { html, css } = compiled({ form: 'cards and comparison', at: [{ upTo: 480, form: 'one plan at a time' }] });
    expect(html).toContain('<fieldset class="zp-choice"><legend class="zp-heard">Plan</legend>');
    expect(html.match(/<input type="radio" name="place-2-cards-plan"[^>]*>/g)?.map((each) => each.includes('checked'))).toEqual([false, true, false]);
    expect(css).toContain('#place-2-cards:has(.zp-q1:checked)>.zp-plans>:not(:nth-child(2)){display:var(--zp_others)}');
    expect(css).toMatch(/#place-2-cards\{display:block;--zp_others:grid\}/);
    expect(css).toMatch(
      /@container zp \(width<=480px\)\{#place-2-cards\{display:block;--zp_others:none\}#place-2-cards>\.zp-choice\{display:block\}/,
    );
    expect(css).toContain('@media print{#place-2-cards>.zp-plans>*{--zp_others:grid}');
    expect(compiled({ form: 'cards' }).html).not.toContain('"zp-choice"');
    expect(compiled({ form: 'one plan at a time' }).html).not.toContain('<table');
  });
  it('is cards alone, with not a byte of tables, below the page’s last heading', () => {
    const { html, css } = compiled({ form: 'cards' });
    expect(html).not.toContain('<table');
    expect(html).toContain('<h3 class="zp-name">');
    expect(css).toContain('.zp-k-cards');
    expect(css).not.toMatch(/\.zp-k>/);
  });
  it('is both with a link from one to the other, and otherwise in narrower containers', () => {
    const { html, css } = compiled({ form: 'cards and comparison', at: [{ upTo: 480, form: 'cards' }] });
    expect(html).toContain('<a href="#place-2">Compare all plans</a>');
    expect(html).toContain('id="place-2"');
    expect(css).toContain('@container zp (width<=480px){#place-2-cards{display:block}#place-2{display:none}#place-2-cards>p{display:none}}');
  });
  it('tells search engines of plans where it is asked to, in what can be no markup', () => {
    expect(compiled({ form: 'cards' }).html).not.toContain('ld+json');
    const [, json = ''] = /<script type="application\/ld\+json">(.*?)<\/script>/.exec(compiled({ form: 'cards', told: true }).html) ?? [];
    const data = JSON.parse(json) as { readonly '@graph': readonly { readonly name: string }[] };
    expect(data['@graph'].map(({ name }) => name)).toEqual(['Season passes: Deck', 'Season passes: Saloon', 'Season passes: Cabin']);
    expect(json).not.toMatch(/[<>&]/);
  });
});
