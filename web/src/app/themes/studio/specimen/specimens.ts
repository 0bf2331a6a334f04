import { contract, element, type MarkupNode } from '../../../../../../core/compile';
import { seasonPasses } from '../../../../../../core/examples';
import { wholeComparison, type Pricing } from '../../../../../../core/pricing';
import { makeHeading, mergeCells, tableOf, type GridCell, type Table } from '../../../../../../core/table';
import { sampleTable } from '../../../controls/dressed/sample-table';

/** A table that ships to try themes on: each is hard in a way of its own. */
export interface HardSpecimen {
  readonly id: string;
  readonly table: Table;
  readonly direction?: 'rtl';
  readonly contentOf?: (cell: GridCell) => readonly MarkupNode[] | undefined;
  /** What stands above its table as cards, where that is the comparison of its plans. */
  readonly pricing?: Pricing;
}

const grid = (rows: number, columns: number, text: (row: number, column: number) => string): string[][] =>
  Array.from({ length: rows }, (_, row) => Array.from({ length: columns }, (_, column) => text(row, column)));

function merged(table: Table, blocks: readonly (readonly [row: number, column: number, toRow: number, toColumn: number])[]): Table {
  return blocks.reduce((each, [row, column, toRow, toColumn]) => {
    const outcome = mergeCells(each, { row, column }, { row: toRow, column: toColumn });
    return outcome.ok ? outcome.value : each;
  }, table);
}

const threeTiers = merged(
  tableOf(
    'Three tiers of headers',
    [
      ['Island', 'Passengers', '', '', '', 'Bicycles', ''],
      ['', 'Weekday', '', 'Weekend', '', 'All week', ''],
      ['', 'Out', 'Back', 'Out', 'Back', 'Out', 'Back'],
      ['Skerrin', '412', '398', '640', '−12', '31.5', '28'],
      ['Tarn Isle', '96', '101', '210.25', '188', '8', '11.75'],
      ['Low Sound', '1,204', '−36', '1,530', '1,498', '77', '80'],
      ['All', '1,712', '463', '2,380.25', '1,674', '116.5', '119.75'],
    ],
    { caption: 'Passengers and bicycles by island', headerRows: 3, rowHeaders: 1, footerRows: 1 },
  ),
  [
    [0, 0, 2, 0],
    [0, 1, 0, 4],
    [0, 5, 0, 6],
    [1, 1, 1, 2],
    [1, 3, 1, 4],
    [1, 5, 1, 6],
  ],
);

const manyMerged = merged(
  tableOf(
    'Many merged cells',
    grid(9, 6, (row, column) => (row === 0 ? `Column ${column + 1}` : `${'ABCDEF'[column] ?? ''}${row}`)),
    { caption: 'Berths held for more than one night', rowHeaders: 1, footerRows: 1 },
  ),
  [
    [0, 2, 0, 3],
    [1, 0, 2, 0],
    [1, 1, 3, 2],
    [2, 3, 2, 5],
    [4, 0, 6, 0],
    [4, 4, 7, 5],
    [5, 1, 5, 3],
    [6, 2, 7, 3],
    [8, 1, 8, 5],
  ],
);

/** Islands by waters: two headings over whole rows, and one row group without. */
const grouped = [1, 4].reduce(
  (table, row) => {
    const made = makeHeading(table, row);
    return made.ok ? made.value : table;
  },
  tableOf(
    'Rows in groups',
    [
      ['Island', 'Boats', 'Berths', 'Fare'],
      ['Northern waters', '', '', ''],
      ['Skerrin', '4', '12', '£6.50'],
      ['Low Sound', '2', '5', '£14.75'],
      ['Southern waters', '', '', ''],
      ['Tarn Isle', '3', '8', '£11.00'],
      ['Fennel Point', '1', '2', '£8.20'],
      ['All', '10', '27', ''],
    ],
    { caption: 'Islands by the waters they lie in', rowHeaders: 1, footerRows: 1 },
  ),
);

const contents: Table = tableOf(
  'Links, buttons and icons',
  [
    ['Boat', 'Timetable', 'Ticket', 'State'],
    ['Lantern Ada', 'Crossings', 'Book a berth', 'On time'],
    ['Moth', 'Crossings', 'Book a berth', 'Late'],
    ['Wick', 'Crossings', 'Book a berth', 'On time'],
  ],
  { caption: 'What can be done tonight', rowHeaders: 1 },
);

/** Held open on the first rows, so that each condition of what stands in a cell is seen. */
const heldByRow = [undefined, undefined, 'hovered', 'focused'] as const;
const contentOfCell = ({ section, row, column, text }: GridCell): readonly MarkupNode[] | undefined => {
  if (section !== 'body') return undefined;
  const held = { [contract.held]: heldByRow[row], tabindex: -1 };
  if (column === 1) return [element('a', { href: '#', ...held }, text)];
  // A button may be a link that looks like one.
  if (column === 2 && row === 1) return [element('a', { href: '#', class: contract.button, tabindex: -1 }, text)];
  if (column === 2) return [element('button', { type: 'button', class: contract.button, ...held }, text)];
  return column === 3 ? [element('span', { class: contract.icon, 'aria-hidden': 'true', [contract.held]: heldByRow[row] }, '● '), text] : undefined;
};

/** Plans with something of every part of a card: an icon, a second action, and one that cannot be had. */
const plans: Pricing = {
  ...seasonPasses,
  plans: seasonPasses.plans.map((plan, at) => ({
    ...plan,
    ...(at === 0 ? { icon: 'boat' } : {}),
    ...(at === 1 ? { actions: [...plan.actions, { text: 'Ask first', href: '#', rank: 'second' as const }] } : {}),
    ...(at === 2 ? { availability: 'sold out' as const } : {}),
  })),
};
/** The specimen that shows parts of cards. */
export const PLANS = 'plans';

export const hardSpecimens: readonly HardSpecimen[] = [
  { id: 'sample', table: { ...sampleTable, name: 'A small sample' } },
  { id: 'tiers', table: threeTiers },
  { id: 'merged', table: manyMerged },
  { id: 'groups', table: grouped },
  { id: 'contents', table: contents, contentOf: contentOfCell },
  { id: PLANS, table: { ...wholeComparison(plans).table, name: 'Plans as cards' }, pricing: plans },
  {
    id: 'long',
    table: tableOf(
      'Long words',
      [
        ['Ship', 'Donaudampfschifffahrtsgesellschaftskapitän', 'Remarks'],
        [
          'Lantern Ada',
          'Nachtfährenverbindungsfahrplanauskunft',
          'Unbreakable-but-hyphenated-by-hand, and then a remark that goes on for rather longer than anybody would wish to read at night.',
        ],
        ['Moth', 'Wick', ''],
        ['https://example.test/a/very/long/address/without/any/place/to/break/it', 'x', 'A short one.'],
      ],
      {
        caption: 'A caption that is itself so long that it has to run over two lines wherever the table is narrower than the sentence',
        rowHeaders: 1,
      },
    ),
  },
  {
    id: 'rtl',
    direction: 'rtl',
    table: tableOf(
      'Right to left',
      [
        ['القارب', 'إلى', 'المغادرة', 'الأجرة'],
        ['فانوس آدا', 'سكيرين', '18:10', '6.50'],
        ['العثة', 'فينل بوينت', '18:35', '−8.20'],
        ['الفتيل', 'جزيرة تارن', '19:20', '11'],
        ['الوسيط', '', '', '8.20'],
      ],
      { caption: 'عبارات المساء', rowHeaders: 1, footerRows: 1 },
    ),
  },
  {
    id: 'one',
    table: tableOf(
      'One column',
      grid(6, 1, (row) => (row === 0 ? 'Island' : (['Oldquay', 'Skerrin', 'Fennel Point', 'Tarn Isle', 'Low Sound'][row - 1] ?? ''))),
      { caption: 'Islands' },
    ),
  },
  {
    id: 'bare',
    table: tableOf(
      'No header at all',
      grid(3, 3, (row, column) => `${'ABC'[column] ?? ''}${row + 1}`),
      { headerRows: 0 },
    ),
  },
  {
    id: 'thirty',
    table: tableOf(
      'Thirty columns',
      grid(6, 30, (row, column) => (row === 0 ? `Day ${column + 1}` : column === 0 ? `Boat ${row}` : String((row * 37 + column * 11) % 90))),
      {
        caption: 'Passengers of a month',
        rowHeaders: 1,
        footerRows: 1,
      },
    ),
  },
  {
    id: 'empty',
    table: tableOf(
      'No rows',
      [
        ['Boat', 'To', 'Leaves'],
        ['Boats', '', '0'],
      ],
      { caption: 'Nothing sails tonight', headerRows: 1, footerRows: 1, rowHeaders: 1 },
    ),
  },
];
