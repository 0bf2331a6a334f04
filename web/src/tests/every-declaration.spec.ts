import { element, surrounded, tableElement, themeCss, writeCss, writeHtml, type Declaration, type Stylesheet } from '../../../core/compile';
import { widthOf, type Held } from '../../../core/table';
import { dice, randomHeld, randomTable } from '../../../core/tests/random';
import { starters, type ConditionName, type Theme } from '../../../core/theme';
import { hardSpecimens } from '../app/themes/studio/specimens';

/** Every condition that can be held, strewn over rows, columns and headers so that each meets each band and each other. */
const hands: readonly ConditionName[] = ['hovered', 'selected', 'focused', 'disabled'];
const heldCases: readonly Held[] = [0, 1, 2].map((shift) => ({
  rows: new Map(Array.from({ length: 20 }, (_, row) => [row, hands.filter((_, i) => (row + shift) % 5 === i || (row + shift) % 7 === i)] as const)),
  columns: new Map(
    Array.from(
      { length: 30 },
      (_, column) => [column, (column + shift) % 3 === 0 ? ['sorted'] : (column + shift) % 3 === 1 ? ['column-hovered'] : []] as const,
    ),
  ),
  headers: new Map(
    Array.from(
      { length: 30 },
      (_, column) => [column, [(['hovered', 'pressed', 'focused'] as const)[(column + shift) % 4]].filter((name) => name !== undefined)] as const,
    ),
  ),
}));

/** The hard specimens under every condition, on a page whose own sheet does what old stylesheets do to tables, links and buttons. */
function hardPage(theme: Theme): {
  readonly host: HTMLElement;
  readonly sheet: CSSStyleSheet;
  readonly nodes: Stylesheet;
  readonly root: ShadowRoot;
} {
  const host = document.createElement('div');
  const root = host.attachShadow({ mode: 'open' });
  const sheet = new CSSStyleSheet();
  const nodes = themeCss(theme, { key: 'hard', held: true, around: true, lean: true });
  sheet.replaceSync(writeCss(nodes));
  const reset = new CSSStyleSheet();
  reset.replaceSync(
    ':host{font:italic 300 15.3px/1.23 page;color:#111;letter-spacing:.3px;text-transform:capitalize}table{border-collapse:collapse}th,td{vertical-align:baseline}button{margin:2px}a{margin:1px;padding:1px;border:1px solid;background:#eee}',
  );
  root.adoptedStyleSheets = [reset, sheet];
  const tables = hardSpecimens
    .filter(({ table }) => widthOf(table) < 20)
    .flatMap(({ table, contentOf }) =>
      heldCases.map((held) =>
        surrounded(tableElement(table, { id: 'hard', theme: 'hard', held, contentOf }), { theme: 'hard', info: 'x', empty: true }),
      ),
    );
  const random = Array.from({ length: 60 }, (_, seed) => {
    const d = dice(seed);
    const table = randomTable(d);
    return tableElement(table, { id: 'hard', theme: 'hard', held: randomHeld(d, table) });
  });
  root.innerHTML = writeHtml(element('div', {}, ...tables, ...random), 'compact');
  document.body.append(host);
  return { host, sheet, nodes, root };
}

/** The longhands that a declaration as we write it sets. */
function longhands([property, value]: Declaration): readonly string[] {
  const style = document.createElement('i').style;
  style.setProperty(property, value);
  return [...style];
}

/** What of a rule can be left out without a change on any element that it meets. */
function idle(rule: CSSStyleRule, declarations: readonly Declaration[], root: ShadowRoot): string[] {
  const pseudo = /::(before|after)$/.exec(rule.selectorText)?.[0];
  const met = [...root.querySelectorAll<HTMLElement>(rule.selectorText.replaceAll(/::(before|after)/g, ''))];
  const write = (some: readonly Declaration[]): void => void (rule.style.cssText = some.map(([property, value]) => `${property}:${value}`).join(';'));
  return declarations.flatMap((declaration) => {
    if (declaration[0].startsWith('--')) return [];
    const properties = longhands(declaration);
    const look = (elements: readonly HTMLElement[]): string => {
      return elements
        .map((each) => properties.map((property) => getComputedStyle(each, pseudo ?? null).getPropertyValue(property)).join(' '))
        .join('\n');
    };
    // Most show on the first elements already; all of them are asked only where those stay the same.
    for (const elements of [met.slice(0, 6), met]) {
      write(declarations);
      const before = look(elements);
      write(declarations.filter((each) => each !== declaration));
      const after = look(elements);
      write(declarations);
      if (before !== after) return [];
    }
    return [`${rule.selectorText} { ${declaration.join(': ')} } on ${met.length}`];
  });
}

describe('No declaration of a published stylesheet is without effect', () => {
  for (const { theme } of starters) {
    it(`in ${theme.name}`, () => {
      const { host, sheet, nodes, root } = hardPage(theme);
      try {
        const found = nodes.flatMap((node, i) => {
          const rule = sheet.cssRules[i];
          // Real hovering, pressing and focusing cannot be done here; their rules stand once more with what is held.
          if (node.kind !== 'rule' || !(rule instanceof CSSStyleRule) || /:active|:focus/.test(rule.selectorText)) return [];
          return idle(rule, node.declarations, root);
        });
        expect(nodes.length).toBeGreaterThan(5);
        expect(found).toEqual([]);
      } finally {
        host.remove();
      }
    });
  }
});
