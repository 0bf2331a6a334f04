import { viewOf } from '../../../core/tests/themes';
import { compilePage, writeCss, writeHtml, type CompiledPage, type MarkupNode } from '../../../core/compile';
import { Cascade, holdsOut, judge, manners, nodesOf, readHouse, readOwn, settled, treeOf, type HouseSheet, type Node } from '../../../core/house';
import { PLAIN_VISITOR, type Page } from '../../../core/page';
import { randomHouse } from '../../../core/tests/house';
import { dice, randomTable, randomTheme, withExceptions, starterNames } from '../../../core/tests/random';
import { type Theme } from '../../../core/theme';
import type { Table } from '../../../core/table';
import { forSeeds } from '../../../core/tests/seeded';

const WIDTH = 900;
/** Two documents that serve every case in turn: one under the house, one as it would be without it. */
const frames = new Map<string, HTMLIFrameElement>();
afterAll(() => {
  frames.forEach((frame) => frame.remove());
  frames.clear();
});
function frameOf(name: string): HTMLIFrameElement {
  const known = frames.get(name);
  if (known) return known;
  const frame = document.createElement('iframe');
  frame.style.cssText = `width:${WIDTH}px;height:700px;border:0`;
  document.body.append(frame);
  frame.contentDocument?.open();
  frame.contentDocument?.write('<!doctype html><html lang="en"><head></head><body></body></html>');
  frame.contentDocument?.close();
  frames.set(name, frame);
  return frame;
}

const read = (source: string): HouseSheet => {
  const house = readHouse(source);
  if (!house.ok) throw new Error(house.problems[0]?.say);
  return house.value;
};

/** A page with one table, two where `isDouble`. */
function pageOf(theme: Theme, table: Table, visitor = false): CompiledPage {
  const page: Page = {
    format: 'zest-page/6',
    name: 'Crossings',
    slug: 'crossings',
    blocks: [
      { id: 'a', kind: 'text', text: 'Before the table.' },
      {
        id: 'b',
        kind: 'table',
        shows: { kind: 'tables', id: 't' },
        dress: { kind: 'themes', id: 'h' },
        width: 'content',
        align: 'start',
        room: '8px 0',
        visitor: visitor ? { ...PLAIN_VISITOR, sort: true, search: true, pageRows: 3 } : null,
      },
    ],
  };
  const compiled = compilePage(
    { page, tables: new Map([['t', table]]), themes: new Map([['h', { key: 'case', view: viewOf(theme) }]]) },
    { stylesheet: '', siteName: 'The practice site' },
  );
  // Font files are not served here.
  return { ...compiled, css: compiled.css.filter((node) => node.kind !== 'rule' || !node.selector.startsWith('@')) };
}

/** A random page by its seed. Several house stylesheets are held against each, since it costs more to make than they do. */
const pages = new Map<number, CompiledPage>();
function randomPage(seed: number): CompiledPage {
  const known = pages.get(seed);
  if (known) return known;
  const d = dice(seed);
  const page = pageOf(randomTheme(d, starterNames), d.chance(0.4) ? withExceptions(d, randomTable(d)) : randomTable(d), d.chance(0.3));
  pages.set(seed, page);
  return page;
}

const bodyOf = (page: CompiledPage): readonly MarkupNode[] => {
  const body = page.html.children.find((child) => typeof child !== 'string' && child.tag === 'body');
  return body && typeof body !== 'string' ? body.children : [];
};

/** The page in a document of its own under some stylesheets, with its elements in their order. */
function opened(
  name: 'under' | 'alone',
  page: CompiledPage,
  ...sheets: readonly string[]
): { readonly view: Window & typeof globalThis; readonly elements: readonly Element[] } {
  const view = frameOf(name).contentWindow as Window & typeof globalThis;
  view.document.documentElement.removeAttribute('style');
  view.document.body.removeAttribute('style');
  view.document.body.innerHTML = bodyOf(page)
    .map((node) => writeHtml(node, 'compact'))
    .join('');
  view.document.adoptedStyleSheets = sheets.map((css) => {
    const sheet = new view.CSSStyleSheet();
    sheet.replaceSync(css);
    return sheet;
  });
  return { view, elements: [...view.document.body.querySelectorAll('*')] };
}

/** The nodes of a page's body in the order of its elements. */
function bodyNodes(page: CompiledPage): readonly Node[] {
  const body = treeOf(page.html).children.find(({ tag }) => tag === 'body');
  return body ? [...nodesOf(body)].slice(1) : [];
}

const LONGHANDS = (
  'color background-color background-image padding-top padding-right padding-bottom padding-left border-top-width border-top-style border-top-color ' +
  'border-right-width border-right-style border-right-color border-bottom-style border-bottom-color border-left-style border-left-color border-left-width ' +
  'font-size font-family font-style font-weight line-height letter-spacing text-align text-transform text-decoration-line vertical-align white-space-collapse ' +
  'text-wrap-mode margin-top margin-left border-collapse border-top-left-radius box-shadow caption-side opacity display width'
).split(' ');
const INHERITED = LONGHANDS.filter((name) =>
  /^(?:color|font|line|letter|text-align|text-transform|white|text-wrap|caption|border-collapse)/.test(name),
);

/** A declaration's part that sets a longhand: a shorthand would bring others along on which it depends. */
function onlyThat({ property, value }: { readonly property: string; readonly value: string }, longhand: string): readonly [string, string] {
  if (property === 'all') return [longhand, value];
  const { style } = document.createElement('div');
  style.setProperty(property, value);
  const logical = longhand
    .replace('top', 'block-start')
    .replace('bottom', 'block-end')
    .replace('left', 'inline-start')
    .replace('right', 'inline-end');
  const part = style.getPropertyValue(longhand) || style.getPropertyValue(logical);
  return part === '' ? [property, value] : [longhand, part];
}

const cases = Array.from({ length: 500 }, (_, i) => 41_000 + i);

describe('Under a house stylesheet', () => {
  it('what core says wins is what Chromium paints, in 500 random cases', () => {
    const wrong: string[] = [];
    let [checked, house, ours] = [0, 0, 0];
    for (const seed of cases) {
      const d = dice(seed);
      const page = randomPage(seed % 100);
      const source = randomHouse(d);
      const css = writeCss(page.css, 'compact');
      const sheet = read(source);
      const cascade = new Cascade({ house: sheet.rules, ours: readOwn(css) }, { width: WIDTH, height: 700 });
      const { view, elements } = opened('under', page, source, css);
      const nodes = bodyNodes(page);
      expect(nodes.length).toBe(elements.length);
      for (let i = 0; i < 16; i++) {
        const at = d.whole(0, nodes.length - 1);
        const [node, element] = [nodes[at], elements[at] as HTMLElement | undefined];
        const longhand = d.pick(LONGHANDS);
        if (!node || !element || element.closest('svg')) continue;
        const winner = cascade.winner(node, longhand);
        const before = view.getComputedStyle(element).getPropertyValue(longhand);
        // A hidden element is so by its attribute, which is weaker than any rule and not to be seen here.
        if (!winner && longhand === 'display' && element.hasAttribute('hidden')) continue;
        const [property, value] = onlyThat(winner?.declaration ?? { property: longhand, value: 'revert' }, longhand);
        if (value.includes('var(')) continue;
        element.style.setProperty(property, value, 'important');
        const after = view.getComputedStyle(element).getPropertyValue(longhand);
        element.style.removeProperty(property);
        checked++;
        if (winner?.origin === 'house') house++;
        if (winner?.origin === 'ours') ours++;
        if (before !== after)
          wrong.push(
            `${seed}: ${longhand} of ${node.tag}.${node.classes.join('.')} is ${before}, not ${after} (${winner?.origin}: ${winner?.rule.text})`,
          );
      }
      if (wrong.length > 10) break;
    }
    expect(wrong).toEqual([]);
    // That the sample has winners of both kinds in numbers.
    expect(checked).toBeGreaterThan(6000);
    expect(Math.min(house, ours)).toBeGreaterThan(600);
  }, 240_000);
});

/** Computed styles of every element of the dressed boxes that are ours to decide. */
function looks(page: CompiledPage, view: Window & typeof globalThis): ReadonlyMap<string, string> {
  const found = new Map<string, string>();
  for (const box of view.document.querySelectorAll('.zp-box'))
    for (const [i, element] of [box, ...box.querySelectorAll('*')].entries()) {
      if (element.tagName === 'BR') continue;
      const isText = /^(?:A|STRONG|EM|U|S|MARK|SMALL|SUB|SUP|CODE|SPAN)$/.test(element.tagName) && element.className === '';
      for (const pseudo of isText ? [undefined] : [undefined, '::before', '::after']) {
        const style = view.getComputedStyle(element, pseudo);
        const names = isText ? INHERITED.filter((name) => name !== 'border-collapse') : LONGHANDS;
        for (const name of pseudo && style.content === 'none' ? [] : pseudo ? ['content', ...names] : names)
          found.set(`${i} ${element.tagName}.${element.className}${pseudo ?? ''} ${name}`, style.getPropertyValue(name));
      }
    }
  return found;
}

/** An element's line height as what stands in it has it: a number where it grows with its letters. */
function lineHeight(element: Element, view: Window & typeof globalThis): string {
  const probe = element.appendChild(view.document.createElement('i'));
  probe.style.cssText = 'all:initial!important;line-height:inherit!important;font-size:100px!important';
  const [on, own] = [view.getComputedStyle(probe).lineHeight, view.getComputedStyle(element)];
  probe.remove();
  return on === 'normal' || on === own.lineHeight ? own.lineHeight : String(Number.parseFloat(on) / 100);
}

/** What tables have from their page where a theme says nothing of it. Nothing else that the house says around them comes in. */
const PAGES_OWN = ['color', 'font-family', 'font-size', 'font-style', 'line-height', 'visibility'];

/** A page as it would be without the house, but in the same text: what is around the table hands its type down. */
function alone(page: CompiledPage, under: Window & typeof globalThis): Window & typeof globalThis {
  const { view } = opened('alone', page, writeCss(page.css, 'compact'));
  for (const selector of ['html', 'body', 'main', '.entry']) {
    const [from, to] = [under.document.querySelector(selector), view.document.querySelector<HTMLElement>(selector)];
    if (!from || !to) throw new Error(selector);
    const style = under.getComputedStyle(from);
    for (const name of PAGES_OWN) to.style.setProperty(name, style.getPropertyValue(name));
    to.style.lineHeight = lineHeight(from, under);
    if (selector === '.entry') {
      to.style.width = `${from.getBoundingClientRect().width}px`;
      to.style.boxSizing = 'border-box';
      for (const name of LONGHANDS.filter((each) => /^padding|^border-.*(?:width|style)/.test(each)))
        to.style.setProperty(name, style.getPropertyValue(name));
    }
  }
  return view;
}

describe('A page that weighs what its house stylesheet asks for', () => {
  const check = (what: string, page: CompiledPage, source: string): readonly string[] => {
    const judged = judge(page, read(source));
    const stand = { weight: judged.weight, insists: judged.insists };
    expect(judged.findings.filter((each) => holdsOut(each, stand) && !each.isBeyond)).toEqual([]);
    const { view: under } = opened('under', page, source, writeCss(settled(page, judged, stand), 'compact'));
    const as = looks(page, alone(page, under));
    const is = looks(page, under);
    return [...as].filter(([key, value]) => is.get(key) !== value).map(([key, value]) => `${what}: ${key} is ${is.get(key)}, not ${value}`);
  };

  const starters = starterNames.flatMap((base) =>
    [false, true].map((visitor) => () => {
      const d = dice(base.length * 7 + (visitor ? 1 : 0));
      return pageOf(
        { format: 'zest-theme/2', name: base, base: { starter: base, version: 1 }, swatches: [], values: {} },
        withExceptions(d, randomTable(d)),
        visitor,
      );
    }),
  );
  const made: CompiledPage[] = [];

  for (const { name, css } of manners)
    it(`has its tables as its themes have them under “${name}”`, () => {
      const wrong: string[] = [];
      for (const [i, make] of starters.entries()) wrong.push(...check(starterNames[i >> 1] ?? '', (made[i] ??= make()), css));
      expect(wrong.slice(0, 12)).toEqual([]);
    }, 120_000);

  it('has nothing from what the house says around them but the page’s own type and ink', () => {
    const around =
      'body { letter-spacing: 3px; text-transform: uppercase; word-spacing: 1em; white-space: pre; text-indent: 2em } ' +
      'html { font: italic 700 18px/1.7 serif; caption-side: bottom; border-spacing: 9px; border-collapse: collapse } ' +
      '.entry { text-align: center; color: maroon } main { font-variant: small-caps; text-shadow: 1px 1px red; overflow-wrap: anywhere }';
    const wrong = starters.slice(0, 12).flatMap((make, i) => check('around', (made[i] ??= make()), around));
    expect(wrong.slice(0, 12)).toEqual([]);
  }, 240_000);

  forSeeds('has them so under random ones', { all: 120, usual: 40, from: 52_000, together: 20 }, (seed) => {
    expect(check(String(seed), randomPage(seed % 40), randomHouse(dice(seed), { layers: false })).slice(0, 12)).toEqual([]);
  });
});
