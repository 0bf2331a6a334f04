import { viewOf } from '../../../core/tests/themes';
import { contract, element, surrounded, tableElement, themeCss, writeCss, writeHtml, type Declaration, type Stylesheet } from '../../../core/compile';
import { makeHeading, mergeCells, tableOf, widthOf, type Held, type Table } from '../../../core/table';
import { dice, fullTheme, randomHeld, randomTable } from '../../../core/tests/random';
import { askedFor } from '../../../core/tests/seeded';
import { starters, type ConditionName, type Theme } from '../../../core/theme';
import { hardSpecimens } from '../app/themes/studio/specimen/specimens';

/** Every condition that can be held, strewn over rows, columns and headers so that each meets each band and each other. */
const hands: readonly ConditionName[] = ['hovered', 'selected', 'focused', 'disabled'];
const heldCases: readonly Held[] = [{}, ...[0, 1, 2].map(heldCase)];
function heldCase(shift: number): Held {
  return {
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
  };
}

const hand: readonly ConditionName[] = ['hovered', 'selected', 'focused', 'disabled'];
const headerHand: readonly ConditionName[] = ['hovered', 'pressed', 'focused'];
/** The conditions of a list whose bits a number has. */
const some = (of: readonly ConditionName[], bits: number): readonly ConditionName[] => of.filter((_, i) => (bits >> i) & 1);

/**
 * Every combination of the hand's conditions on odd rows and on even ones, across columns that are sorted and
 * pointed at or not; and over them three header rows, whose cells stand alone, reach down or reach across, under
 * every combination of a header's conditions.
 */
const deepTables: readonly (readonly [Table, Held])[] = [0, 1, 2, 1].map((rowHeaders, seed) => {
  const [height, width] = [3 + 34 + 3, 52];
  const rows = Array.from({ length: height }, (_, row) =>
    Array.from({ length: width }, (_, column) => (column % 8 < 4 ? `${(row % 5) - 2}.${column}` : `r${row}c${column}`)),
  );
  const table = tableOf('Deep', rows, { caption: 'Deep', headerRows: 3, rowHeaders, footerRows: 3 });
  const merges = Array.from({ length: 48 }, (_, i): readonly [number, number, number, number] => {
    const column = 4 + i;
    return i < 16 ? [1, column, 2, column] : i < 32 ? [0, column, 2, column] : [0, column, 0, column + (i % 3 === 0 ? 1 : 0)];
  });
  const merged = merges.reduce((each, [row, column, toRow, toColumn]) => {
    const outcome = mergeCells(each, { row, column }, { row: toRow, column: toColumn });
    return outcome.ok ? outcome.value : each;
  }, table);
  const held: Held = {
    rows: new Map(Array.from({ length: 32 }, (_, row) => [row + 4, some(hand, row >> 1)] as const)),
    columns: new Map(Array.from({ length: width }, (_, column) => [column, some(['sorted', 'column-hovered'], seed + ((column - 4) >> 4))] as const)),
    headers: new Map(Array.from({ length: width }, (_, column) => [column, some(headerHand, column >> 1)] as const)),
  };
  return [merged, held] as const;
});

/** Headings alone in their group, the last row and numbers among them, over the whole row and not; as they are, and held. */
const headingTables: readonly (readonly [Table, Held])[] = [0, 1, 2].flatMap((rowHeaders) => {
  const texts = Array.from({ length: 9 }, (_, row) =>
    Array.from({ length: 4 }, (_each, column) => (column > 1 ? `${row - 4}.${column}` : `r${row}c${column}`)),
  );
  const plain = tableOf('Headings', texts, { rowHeaders });
  const whole = [1, 2, 4, 6, 8].reduce((table, row) => {
    const made = makeHeading(table, row);
    return made.ok ? made.value : table;
  }, plain);
  const parted: Table = { ...plain, groups: whole.groups };
  return [whole, parted].flatMap((table) => heldCases.map((held) => [table, held] as const));
});

/** Things in cells and pages to go to, under every combination of conditions that a theme knows of them. */
function everyCombination(root: ShadowRoot, selector: string): void {
  const found = root.querySelectorAll<HTMLElement>(selector);
  // In cells that differ, since what is taken from a cell can be what is said by chance.
  for (const one of new Set([0, 1, 2, found.length >> 1, found.length - 1].map((at) => found[at]).filter((each) => each !== undefined)))
    for (let bits = 0; bits < 16; bits++) {
      const copy = one.cloneNode(true) as HTMLElement;
      for (const name of [contract.held, 'aria-current', 'aria-disabled']) copy.removeAttribute(name);
      copy.setAttribute(contract.held, some(['hovered', 'focused'], bits).join(' '));
      if (bits & 4) copy.setAttribute('aria-current', 'page');
      if (bits & 8) copy.setAttribute('aria-disabled', 'true');
      one.after(copy);
    }
}

/** Whether a table's columns are sorted and pointed at, in every combination; one for all of its columns. */
const columnStates = [0, 1, 2, 3].map((bits) => new Map([0, 1, 2, 3].map((column) => [column, some(['sorted', 'column-hovered'], bits)] as const)));

/**
 * Short tables under every combination of what their rows and their columns can be, so that each meets the first
 * row and the last one, odd and even: with row headers, words and numbers, and with headings over groups.
 */
const shortTables: readonly (readonly [Table, Held])[] = columnStates.flatMap((columns) =>
  Array.from({ length: 16 }, (_, bits) => some(hand, bits)).flatMap((names) =>
    [1, 2, 3, 4, 5].flatMap((height) => {
      const texts = Array.from({ length: height }, (_, row) => [`r${row}`, `${(row % 2) - 1}.${row}`, `r${row}c2`, `${(row % 3) - 1}.5`]);
      const table = tableOf('Short', texts, { rowHeaders: 2 });
      const headed = makeHeading(table, 0);
      const held: Held = { rows: new Map([0, 1, 2].map((row) => [row, names] as const)), columns, headers: new Map() };
      return [table, { ...table, rowHeaders: 1 }, ...(headed.ok ? [headed.value, { ...table, groups: headed.value.groups }] : [])].map(
        (each) => [each, held] as const,
      );
    }),
  ),
);

/** Corners under every combination of a header's conditions, in one row, in two, and over six row headers, of words or of numbers. */
const cornerTables: readonly (readonly [Table, Held])[] = Array.from({ length: 16 }, (_, bits) => bits).flatMap((bits) =>
  [1, 2].flatMap((tiers) =>
    (['', 'number'] as const).map((type): readonly [Table, Held] => {
      const columns = [0, 1, 2, 3, 4, 5, 6];
      const rows = Array.from({ length: tiers + 2 }, (_, row) => columns.map((column) => `${column}${row}`));
      const names = some(headerHand, bits);
      const plain = tableOf('Corner', rows, { headerRows: tiers, rowHeaders: 6 });
      const typed = { ...plain, columns: plain.columns.map((column) => ({ ...column, type })) };
      // A group of two, so that columns and groups are odd and even in every way.
      const grouped = tiers === 1 ? undefined : mergeCells(typed, { row: 0, column: 0 }, { row: 0, column: 1 });
      return [
        grouped?.ok ? grouped.value : typed,
        {
          rows: new Map(),
          columns: new Map(columns.map((column) => [column, some(['sorted'], bits >> 3)] as const)),
          headers: new Map(columns.map((column) => [column, names] as const)),
        },
      ];
    }),
  ),
);

/** Merges of header cells, as row, column, last row and last column: two groups of two columns; then cells that reach down. */
const headShapes: readonly (readonly [tiers: number, merges: readonly (readonly [number, number, number, number])[]])[] = (() => {
  const groups = [0, 5].map((column) => [0, column, 0, column + 1] as const);
  const alone = [2, 3, 4, 7, 8].map((column) => [0, column, 2, column] as const);
  const lower = Array.from({ length: 9 }, (_, column) => [1, column, 2, column] as const);
  return [
    [1, []],
    [2, groups],
    [3, groups],
    [3, [...groups, ...lower]],
    [3, [...groups, ...alone]],
  ];
})();

/**
 * Header cells under every combination of a header's conditions, in one to three tiers, whose groups are of one column and of two, so that
 * columns and groups are odd and even in every way; over numbers, over words, and over either by turns.
 */
const headTables: readonly (readonly [Table, Held])[] = Array.from({ length: 16 }, (_, bits) => bits).flatMap((bits) =>
  headShapes.flatMap(([tiers, merges]) =>
    [() => true, () => false, (column: number) => column % 4 < 2].map((isNumeric): readonly [Table, Held] => {
      const columns = Array.from({ length: 9 }, (_, column) => column);
      const rows = Array.from({ length: tiers + 1 }, (_, row) =>
        columns.map((column) => (row >= tiers && isNumeric(column) ? `${row}.${column}` : `r${row}c${column}`)),
      );
      const merged = merges.reduce(
        (each, [row, column, toRow, toColumn]) => {
          const outcome = mergeCells(each, { row, column }, { row: toRow, column: toColumn });
          return outcome.ok ? outcome.value : each;
        },
        tableOf('Head', rows, { headerRows: tiers }),
      );
      const on = (names: readonly ConditionName[]): Held['columns'] => new Map(columns.map((column) => [column, names] as const));
      return [merged, { rows: new Map(), columns: on(some(['sorted'], bits >> 3)), headers: on(some(headerHand, bits)) }];
    }),
  ),
);

/**
 * An old page's own stylesheet: everything that a theme sets, and each element otherwise than what it stands in.
 * There are two, on pages with type of two sizes, so that what a theme says by chance like the one, it says unlike the other.
 */
const houseSheets = [['math-auto', 'capitalize', 'auto', 'none'] as const, ['uppercase', 'math-auto', 'manual', 'auto'] as const].map(
  ([...told], sheet): readonly [string, string] => {
    const [cases, hyphens] = [told.slice(0, 2), told.slice(2)];
    const type = (family: string, n: number): string =>
      `font:oblique ${10 + n}deg ${120 + n + sheet} ${15 + n / 10}px/1.2${n} ${family};font-variant-numeric:ordinal;font-variant-caps:unicase;hyphens:${hyphens[n % 2]};text-shadow:${n}px 0 #123;color:#11${n}11${n};letter-spacing:.${n}px;` +
      `text-transform:${cases[n % 2]};text-align:${n % 2 ? 'left' : 'right'};white-space:pre-line`;
    const box =
      'margin:1.3px;padding:1.5px;outline:1.5px dotted;outline-offset:1.7px;border:1.5px solid;border-radius:1.5px;background:#eee;box-shadow:1px 1px;text-decoration:overline;opacity:.99;width:70px';
    const text =
      `:host{${type('page', 1)}}table{border-collapse:collapse}tr,th,td{outline:1.5px dotted;outline-offset:1.7px}th,td{height:7px;width:71px;vertical-align:text-top;${type('cell', 2)}}` +
      `caption{padding:1.5px;${type('caption', 2)}}div{${type('bar', 3)};${box}}div div div{${type('inner', 4)}}` +
      `th span{display:block;inline-size:3px;writing-mode:vertical-lr;max-height:7px}summary{display:block;-webkit-line-clamp:7;-webkit-box-orient:horizontal}span{${type('span', 6)}}a,button,input{${type('button', 5)};${box}}`;
    return [text, ['17px', '8px'][sheet] ?? ''];
  },
);

/** The hard specimens under every condition, on a page whose own sheet does what old stylesheets do to tables, links and buttons. */
function hardPage(
  theme: Theme,
  isFull: boolean,
): {
  readonly host: HTMLElement;
  readonly sheet: CSSStyleSheet;
  readonly nodes: Stylesheet;
  readonly root: ShadowRoot;
  readonly house: CSSStyleSheet;
} {
  const host = document.createElement('div');
  const root = host.attachShadow({ mode: 'open' });
  const sheet = new CSSStyleSheet();
  const nodes = themeCss(viewOf(theme), { key: 'hard', held: true, around: true, lean: true });
  sheet.replaceSync(writeCss(nodes));
  const house = new CSSStyleSheet();
  root.adoptedStyleSheets = [house, sheet];
  const tables = hardSpecimens
    .filter(({ table }) => widthOf(table) < 20)
    .flatMap(({ table, contentOf }) =>
      heldCases.map((held) =>
        surrounded(tableElement(table, { id: 'hard', theme: 'hard', held, contentOf, reads: true, cut: 0 }), {
          theme: 'hard',
          info: 'x',
          empty: true,
        }),
      ),
    );
  const deep = [...headingTables, ...shortTables, ...cornerTables, ...headTables, ...deepTables.slice(0, isFull ? 4 : 2)].map(([table, held]) =>
    tableElement(table, { id: 'hard', theme: 'hard', held, reads: true, cut: 0 }),
  );
  const random = Array.from({ length: isFull ? 160 : 20 }, (_, seed) => {
    const d = dice(seed);
    const table = randomTable(d);
    return tableElement(table, { id: 'hard', theme: 'hard', held: seed % 2 === 0 ? randomHeld(d, table) : {}, reads: true, cut: 0 });
  });
  root.innerHTML = writeHtml(element('div', {}, ...tables, ...deep, ...random), 'compact');
  // A plan has another accent than its theme.
  for (const cell of root.querySelectorAll<HTMLElement>(`th.${contract.featured},td.${contract.featured}`)) {
    cell.style.setProperty('--zp-accent', '#ffec99');
    cell.style.setProperty('--zp--on-accent', '#0b0b0b');
  }
  root.querySelectorAll<HTMLDetailsElement>(`.${contract.cut}`).forEach((each, i) => (each.open = i % 3 === 0));
  for (const selector of [
    `.${contract.pagerItem}`,
    `td>a:not(.${contract.button})`,
    `td>.${contract.button}`,
    `td>.${contract.icon}`,
    `.${contract.search} input`,
  ])
    everyCombination(root, selector);
  for (const pager of root.querySelectorAll(`.${contract.pager}`)) pager.append(document.createElement('span'));
  // Without a box, so that heights are those that the sheet says, not those that the content comes to.
  host.style.display = 'none';
  document.body.append(host);
  return { host, sheet, nodes, root, house };
}

/** The longhands that a declaration as we write it sets. */
function longhands([property, value]: Declaration): readonly string[] {
  const style = document.createElement('i').style;
  style.setProperty(property, value);
  return [...style];
}

/** Which of the suspects in a rule can be left out without a change on any element that it meets. */
function idle(rule: CSSStyleRule, declarations: readonly Declaration[], suspects: readonly Declaration[], root: ShadowRoot): readonly Declaration[] {
  const pseudo = /::(before|after)$/.exec(rule.selectorText)?.[0];
  const found = [...root.querySelectorAll<HTMLElement>(rule.selectorText.replaceAll(/::(before|after)/g, ''))];
  // Strewn, so that the first few are of all tables.
  const met = found.map((_, i) => found[(i * 7919) % found.length]).filter((each) => each !== undefined);
  const write = (some: readonly Declaration[]): void => void (rule.style.cssText = some.map(([property, value]) => `${property}:${value}`).join(';'));
  return suspects.filter((declaration) => {
    if (declaration[0].startsWith('--')) return false;
    const properties = longhands(declaration);
    const look = (elements: readonly HTMLElement[]): string => {
      return elements
        .map((each) => properties.map((property) => getComputedStyle(each, pseudo ?? null).getPropertyValue(property)).join(' '))
        .join('\n');
    };
    // Most show on the first elements already; all of them are asked only where those stay the same.
    for (let from = 0, size = 6; from < met.length; from += size, size *= 4) {
      const elements = met.slice(from, from + size);
      write(declarations);
      const before = look(elements);
      write(declarations.filter((each) => each !== declaration));
      const after = look(elements);
      write(declarations);
      if (before !== after) return false;
    }
    return true;
  });
}

describe('No declaration of a published stylesheet is without effect', () => {
  const fulls = (askedFor().isProof ? [6, 16] : [16]).map((seed): Theme => ({
    ...fullTheme(dice(seed)),
    name: `a theme with every property at every place, ${seed}`,
  }));
  for (const theme of [...starters.map((starter) => starter.theme), ...fulls]) {
    it(`in ${theme.name}`, async () => {
      const { host, sheet, nodes, root, house } = hardPage(theme, fulls.includes(theme));
      try {
        const found: string[] = [];
        for (const [i, node] of nodes.entries()) {
          const rule = sheet.cssRules[i];
          // Real hovering, pressing and focusing cannot be done here; their rules stand once more with what is held.
          if (node.kind !== 'rule' || !(rule instanceof CSSStyleRule) || /:active|:focus/.test(rule.selectorText)) continue;
          let suspects = node.declarations;
          for (const [text, size] of houseSheets) {
            house.replaceSync(text);
            // A page's root can be of any size, so a length in rem is never another one in px.
            document.documentElement.style.fontSize = size;
            suspects = idle(rule, node.declarations, suspects, root);
          }
          found.push(...suspects.map((each) => `${rule.selectorText} { ${each.join(': ')} }`));
          await new Promise((resolve) => setTimeout(resolve));
        }
        expect(nodes.length).toBeGreaterThan(5);
        expect(found).toEqual([]);
      } finally {
        host.remove();
        document.documentElement.style.fontSize = '';
      }
    }, 120_000);
  }
});
