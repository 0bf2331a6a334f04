import {
  arrangementRules,
  besideOf,
  boxed,
  byWidth,
  cardsElement,
  compileElsewhere,
  type KeyedView,
  compilePage,
  fontRules,
  framedTable,
  frameRules,
  leavesOut,
  pinnedRules,
  sheetOf,
  stacks,
  tableElement,
  themeCss,
  turns,
  visitorRules,
  writeCss,
  writeHtml,
} from '../core/compile';
import { tableData, tableFile, dataFormats } from '../core/hand-off';
import { judge, manners, readHouse, settled } from '../core/house';
import { fitOf } from '../core/fit';
import { readability, slotsOf } from '../core/paint';
import { PLAIN_VISITOR, tableRef, tablesOn, themeRef, type Page } from '../core/page';
import { cardManners } from '../core/pricing';
import { resolve } from '../core/resolve';
import { valueMarkKinds, gridOf, previewOf, slotOf, type ValueMark, type Table } from '../core/table';
import { propertiesOf, shippedStarters, tableParts, type ThemeView } from '../core/theme';
import { viewOf } from '../core/tests/themes';
import { dice, randomHeld, randomTable, randomTheme, withExceptions, withSteps, type Dice } from '../core/tests/random';
import { read } from '../server/demo';
import { createHash } from 'node:crypto';

const hash = (text: string): string => createHash('sha256').update(text).digest('base64url').slice(0, 16);

function themeTexts(view: ThemeView, table: Table): string {
  const beside = besideOf([table]);
  const sheets = [
    ...[
      [true, true],
      [false, false],
    ].map(([lean, around]) =>
      byWidth(view, (at) => [
        ...themeCss(at, { key: 'k', lean, around, beside }),
        ...pinnedRules(at, 'k', beside.exceptions),
        ...arrangementRules(at, 'k', beside.exceptions, beside.holdsRows),
      ]),
    ),
    themeCss(view, { key: 'k', held: true, around: true }),
  ];
  return [...sheets.map((s) => writeCss(s, 'compact')), writeCss(fontRules(sheets[0] ?? []))].join('\n');
}

function resolvedText(view: ThemeView, table: Table): string {
  const out: unknown[] = [];
  for (const step of ['', ...view.steps.map(({ name }) => name)]) {
    const at = view.at(step);
    for (const { name } of tableParts)
      for (const slot of slotsOf(at, name).slice(0, 6)) {
        for (const property of propertiesOf(name)) {
          const { text, value, chain } = resolve(at, slot, property.name);
          out.push([
            name,
            slot.conditions,
            property.name,
            text,
            value.css,
            chain.map((l) => [l.source, l.place, l.text, l.source === 'ground' && at.chain.length === 2 && l.state !== 'broken' ? 'x' : l.state]),
          ]);
        }
        out.push(readability(at, slot).ratio);
      }
    for (const cell of gridOf(table).rows.flat().slice(0, 30)) {
      const slot = slotOf(table, cell);
      out.push(resolve(at, slot, 'fill').value.css, readability(at, slot).ratio);
    }
    out.push(fitOf(at, table, (text, { size, weight, spacing }) => text.length * (size / 2 + spacing) + weight / 1000));
  }
  return JSON.stringify(out);
}

function pageTexts(page: Page, given: ReadonlyMap<string, Table>, themes: ReadonlyMap<string, KeyedView>): string {
  const tables = new Map([...given].map(([id, table]) => [id, previewOf(table, 60)]));
  const short = new Map([...given].map(([id, table]) => [id, previewOf(table, 6)]));
  const options = { stylesheet: '/s.css', house: '/h.css', runtime: () => '/t.js', frames: '/f.js', siteName: 'Site' };
  const input = { page, tables, themes };
  const compiled = compilePage(input, options);
  const out = [writeHtml(compiled.html), writeCss(compiled.css, 'compact')];
  const { css } = manners[writeCss(compiled.css).length % manners.length] ?? { css: '' };
  {
    const house = readHouse(css);
    if (house.ok) {
      const j = judge(compilePage({ ...input, tables: short }, options), house.value);
      out.push(writeCss(settled(compiled, j, { weight: j.weight, insists: j.insists }), 'compact'), JSON.stringify(j.findings));
    }
  }
  for (const block of tablesOn(page).slice(0, 1)) {
    const e = compileElsewhere(input, block.id, { key: 'x/y', addressOf: (r) => `http://h${r}` });
    if (e) out.push(writeHtml(e.box), writeCss(e.page.css, 'compact'));
  }
  return out.join('\n');
}

function randomValueMarks(d: Dice): readonly ValueMark[] {
  return valueMarkKinds.slice(0, d.whole(0, 9)).map(({ name: kind }, i) => ({
    name: `D${i}`,
    from: i > 0 && d.chance(0.3) ? `D${i - 1}` : '',
    kind,
    settings: {
      colour: d.pick(['mist', 'deep', '#123456', 'glow 40%']),
      size: `${d.whole(8, 30)}px`,
      most: String(d.whole(3, 10)),
      ...(d.chance(0.5) ? { colours: 'open = deep; late = lamp' } : {}),
    },
  }));
}

/** Names of works, each with the hash of every byte that is made of it. */
export function* works(count: number): Generator<readonly [string, string]> {
  const themes = new Map(read('themes').map(([id, theme]) => [id, { key: id, view: viewOf(theme) }] as const));
  const tables = new Map(read('tables'));
  const [, firstTable] = [...tables][0] ?? [];
  if (!firstTable) throw new Error('no table');
  for (const { key, version, theme } of shippedStarters.filter((each) => each.key !== 'ground'))
    yield [
      version === 1 ? `starter ${key}` : `starter ${key} ${version}`,
      hash(themeTexts(viewOf(theme), firstTable) + resolvedText(viewOf(theme), firstTable)),
    ];
  for (const [id, { view }] of themes) yield [`theme ${id}`, hash(themeTexts(view, firstTable) + resolvedText(view, firstTable))];
  for (const [id, table] of tables) {
    const theme = themes.get(table.theme) ?? [...themes.values()][0];
    yield [
      `table ${id}`,
      hash(
        [
          ...[...themes.values()].map((t) => tableFile(table, t)),
          tableFile(table, undefined),
          ...dataFormats.filter(({ name }) => name === 'csv' || name === 'md' || name === 'json').map(({ name }) => String(tableData(table, name))),
          theme ? themeTexts(theme.view, table) + resolvedText(theme.view, table) : '',
        ].join('\n'),
      ),
    ];
  }
  const [[, passes] = []] = read('pricings');
  if (!passes) throw new Error('no pricing table');
  for (const { key, version, theme } of shippedStarters.filter((each) => each.key !== 'ground')) {
    const sheet = sheetOf(viewOf(theme), { use: 'page', key: 'k', cards: 'alone', scheme: 'follows' });
    const cards = cardManners.map((manner) => writeHtml(cardsElement(passes, { id: 'c', theme: 'k', manner, level: 2 })));
    yield [`cards ${key} ${version}`, hash([writeCss(sheet, 'compact'), ...cards].join('\n'))];
  }
  for (const [id, page] of read('pages')) {
    const t = new Map(
      tablesOn(page).flatMap((b) => {
        const f = tables.get(b.shows.id);
        return f ? [[tableRef(b), f] as const] : [];
      }),
    );
    const th = new Map(
      tablesOn(page).flatMap((b) => {
        const f = themes.get(b.dress?.id ?? '');
        return f ? [[themeRef(b), f] as const] : [];
      }),
    );
    yield [`page ${id}`, hash(pageTexts(page, t, th))];
  }
  for (let seed = 0; seed < count; seed++) {
    const d = dice(seed);
    const view = viewOf(withSteps(d, randomTheme(d)));
    let table = withExceptions(d, randomTable(d));
    const dressings = randomValueMarks(d);
    table = {
      ...table,
      dressings,
      exceptions: table.exceptions.map((e) => (d.chance(0.4) && dressings.length > 0 ? { ...e, dressing: d.pick(dressings).name } : e)),
      columns: table.columns.map((c, i) => ({
        ...c,
        type: i % 3 === 2 ? 'number' : '',
        hidden: d.chance(0.1),
        ...(d.chance(0.5) ? { yields: d.pick(['first', 'second'] as const) } : {}),
      })),
    };
    const languages = ['en', 'de', 'fr', 'es', 'el', 'ar'] as const;
    const visitor = d.chance(0.6)
      ? {
          ...PLAIN_VISITOR,
          filter: d.chance(0.5),
          choose: d.chance(0.5),
          columns: d.chance(0.5),
          totals: d.chance(0.5),
          header: d.chance(0.4),
          rowLink: d.chance(0.3),
          pageRows: d.pick([0, 2, 20]),
          language: d.pick(languages),
        }
      : null;
    const blocks: Page['blocks'] = [
      { id: 'b1', kind: 'heading', level: 2, text: 'Über' },
      { id: 'b2', kind: 'text', text: 'One\n\nTwo' },
      {
        id: 'b3',
        kind: 'table',
        shows: { kind: 'tables', id: 't' },
        dress: { kind: 'themes', id: 'th' },
        width: d.pick(['content', 'fill', 'bleed', '32rem']),
        align: d.pick(['start', 'center', 'end'] as const),
        room: '16px 0',
        visitor,
        ...(d.chance(0.2) ? { isolated: true } : {}),
      },
      {
        id: 'b4',
        kind: 'columns',
        columns: [
          {
            share: 2,
            blocks: [
              { id: 'b5', kind: 'table', shows: { kind: 'tables', id: 't' }, dress: null, width: 'fill', align: 'start', room: '0', visitor: null },
            ],
          },
          { share: 1, blocks: [{ id: 'b6', kind: 'spacer', height: '2rem' }] },
        ],
      },
      {
        id: 'b7',
        kind: 'section',
        fill: '#eee',
        ink: '',
        blocks: [{ id: 'b8', kind: 'picture', src: '/pictures/a.png', alt: 'x', caption: 'y', width: 'content', align: 'start' }],
      },
    ];
    const page: Page = { format: 'zest-page/6', name: 'P', slug: 'p', blocks };
    const held = randomHeld(d, table);
    yield [
      `random ${seed}`,
      hash(
        [
          themeTexts(view, table),
          resolvedText(view, table),
          writeHtml(
            boxed(
              framedTable(table, {
                id: 'x',
                theme: 'k',
                held,
                labelled: stacks(view),
                fewer: leavesOut(view),
                turned: turns(view),
                sortable: true,
                slots: true,
              }),
            ),
          ),
          writeHtml(tableElement(table, { id: 'y', inline: true })),
          writeCss([...frameRules, ...visitorRules]),
          pageTexts(page, new Map([['t', table]]), new Map([['th', { key: 'th', view }]])),
          tableFile(table, { key: 'th', view }),
        ].join('\n'),
      ),
    ];
  }
}
