import { lookAt, narrowWarning, verdictOf, type Seen } from './page-verdict';

describe('What is seen of a page', () => {
  const nothing: Seen = { beyond: [], scrolling: [], stacked: [], sideways: 0, small: 0 };
  let frame: HTMLIFrameElement;
  beforeEach(() => {
    frame = document.createElement('iframe');
    frame.style.cssText = 'width:320px;height:300px';
    document.body.append(frame);
  });
  afterEach(() => frame.remove());
  const look = (css: string): Seen => {
    const page = frame.contentDocument as Document;
    page.head.innerHTML = `<style>@keyframes more{to{opacity:1}}.zp-frame{overflow-x:auto;width:200px}td{min-width:300px}${css}</style>`;
    page.body.innerHTML = '<div class="zp-frame"><table><caption>Tides</caption><tbody><tr><td>x</td></tr></tbody></table></div>';
    return lookAt(page);
  };

  it('parts tables that are too wide from those that scroll as their theme says', () => {
    const wide = look('');
    expect(wide.beyond.map(({ name }) => name)).toEqual(['Tides']);
    expect(wide.scrolling).toEqual([]);
    const meant = look('.zp-frame{animation:more linear both}');
    expect(meant.beyond).toEqual([]);
    expect(meant.scrolling).toEqual(['Tides']);
    expect(verdictOf(meant)).toBe('fits, 1 table scrolls');
    expect(narrowWarning(meant)).toBe('');
  });
  it('says which tables do not fit a narrow window, the first three by name', () => {
    const beyond = ['A', 'B', 'C', 'D'].map((name, i) => ({ name, px: 10 + i }));
    expect(narrowWarning({ ...nothing, beyond })).toBe('At 320 px too wide: “A” by 10 px, “B” by 11 px, “C” by 12 px and 1 more.');
    expect(narrowWarning({ ...nothing, sideways: 7 })).toBe('At 320 px the page scrolls sideways by 7 px.');
    expect(narrowWarning(nothing)).toBe('');
  });
});
