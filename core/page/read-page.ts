import { array, boolean, lazy, mixed, number, object, string, type AnySchema, type ObjectSchema } from 'yup';
import { parseColour } from '../colour';
import { bad, good, type Outcome } from '../outcome';
import { checkShape } from '../problems-of';
import { nameSchema } from '../theme';
import { cellProblem, isPictureAddress, type Cell } from '../table';
import { PAGE_FORMAT, type Page } from './page';
import { readRoom, readSpace, readWidth } from './placement';
import { languageCodes, languages, words } from '../languages';

const id = string()
  .strict()
  .required('A block needs an id.')
  .matches(/^[\w-]{1,60}$/, 'A block’s id is made of letters, digits and hyphens.');
const says = (outcome: Outcome<unknown>): string | undefined => (outcome.ok ? undefined : outcome.problems[0]?.say);

const wordingSchema = object(
  Object.fromEntries(words.map(({ name, label }) => [name, string().strict().max(200, `“${label}” has at most 200 characters.`)] as const)),
).noUnknown('There is no other label.');
const columnName = string().strict().defined().max(1000, 'A column’s name here has at most 1,000 characters.');

const visitorSchema = object({
  sort: boolean().strict().required(),
  search: boolean().strict().required(),
  filter: boolean().strict().required(),
  info: boolean().strict().required(),
  pageRows: number()
    .strict()
    .required()
    .integer('The number of rows on a page is a whole number.')
    .min(0, 'Rows on a page are from 0, for all of them, to 1,000.')
    .max(1000, 'Rows on a page are from 0, for all of them, to 1,000.'),
  sizes: boolean().strict().required(),
  unsorted: array()
    .strict()
    .required('The columns that are not sorted by are missing; they may be none.')
    .of(columnName)
    .max(100, 'A table has at most 100 columns.'),
  first: object({
    name: columnName.defined(),
    column: number().strict().required().integer().min(0).max(99, 'The first sort is by one of the first 100 columns.'),
    direction: string().strict().required().oneOf(['ascending', 'descending'], 'Rows are sorted ascending or descending.'),
  })
    .noUnknown()
    .nullable()
    .defined()
    .default(undefined),
  choose: boolean().strict().required(),
  columns: boolean().strict().required(),
  rowLink: boolean().strict().required(),
  header: boolean().strict().required(),
  totals: boolean().strict().required(),
  address: boolean().strict().required(),
  language: string()
    .strict()
    .required()
    .oneOf(languageCodes, `Labels are ready in ${new Intl.ListFormat('en').format(languages.map(({ inEnglish }) => inEnglish))}.`),
  wording: wordingSchema.required(),
}).noUnknown();

const widthText = string()
  .strict()
  .required()
  .max(40)
  .test('width', (text, context) => {
    const say = says(readWidth(text ?? ''));
    return say === undefined || context.createError({ message: say });
  });
const align = string().strict().required().oneOf(['start', 'center', 'end'], 'A table sits at the start, the center or the end.');
const colourText = string()
  .strict()
  .defined()
  .max(100)
  .test('colour', 'Write a colour such as #f4f1ea or teal, or nothing for none.', (text) => text === '' || parseColour(text ?? '') !== undefined);
const SIDES = 'A picture’s natural sides are from 1 to 100,000 px.';
const side = number().strict().required().integer().min(1, SIDES).max(100_000, SIDES);
/** What nothing else stands in. */
const leaves = {
  heading: object({
    id,
    kind: string().strict().required(),
    level: number().strict().required().oneOf([2, 3], 'A heading’s level is 2 or 3.'),
    text: string().strict().defined().max(300, 'A heading has at most 300 characters.'),
  }).noUnknown(),
  text: object({
    id,
    kind: string().strict().required(),
    text: mixed<Cell>()
      .defined('The text is missing; it may be empty.')
      .test('text', (text, context) => {
        const say = typeof text === 'string' ? (text.length > 20_000 ? 'A text has at most 20,000 characters.' : undefined) : cellProblem(text);
        return say === undefined || context.createError({ message: say });
      }),
  }).noUnknown(),
  picture: object({
    id,
    kind: string().strict().required(),
    src: string()
      .strict()
      .defined()
      .max(300)
      .test('src', 'A picture is one that was brought in, on this server.', (src) => src === '' || isPictureAddress(src ?? '')),
    alt: string().strict().defined().max(500, 'What a picture shows is said in at most 500 characters.'),
    caption: string().strict().defined().max(500, 'A picture’s caption has at most 500 characters.'),
    natural: object({ width: side, height: side }).noUnknown().optional().default(undefined),
    width: widthText,
    align,
  }).noUnknown(),
  spacer: object({
    id,
    kind: string().strict().required(),
    height: string()
      .strict()
      .required()
      .max(40)
      .test('height', (text, context) => {
        const say = says(readSpace(text ?? ''));
        return say === undefined || context.createError({ message: say });
      }),
  }).noUnknown(),
  table: object({
    id,
    kind: string().strict().required(),
    table: string().strict().defined().max(100),
    theme: string().strict().defined().max(100),
    held: number().strict().integer('An edition’s number is a whole one.').min(1, 'Editions are counted from 1.').optional().default(undefined),
    heldTable: number().strict().integer('An edition’s number is a whole one.').min(1, 'Editions are counted from 1.').optional().default(undefined),
    reach: string().strict().oneOf(['page', 'site'], 'A theme reaches its own table, the page or the site.').optional(),
    isolated: boolean().strict().optional(),
    bare: boolean().strict().optional(),
    width: widthText,
    align,
    room: string()
      .strict()
      .required()
      .max(80)
      .test('room', (text, context) => {
        const say = says(readRoom(text ?? ''));
        return say === undefined || context.createError({ message: say });
      }),
    visitor: visitorSchema.nullable().defined().default(undefined),
  }).noUnknown(),
};

type Kinds = Readonly<Record<string, AnySchema>>;
/** Blocks of some kinds. Each is looked at by its own kind's schema. */
const blocksOf = (kinds: Kinds, most: number): AnySchema =>
  array()
    .strict()
    .required('The blocks are missing.')
    .of(
      lazy((block: unknown) => {
        const kind = (block as { kind?: unknown } | null | undefined)?.kind;
        const known = typeof kind === 'string' && Object.hasOwn(kinds, kind) ? kinds[kind] : undefined;
        return known ?? object({ kind: string().strict().required('A block says its kind.').oneOf(Object.keys(kinds), unknownKind(kind, kinds)) });
      }) as never,
    )
    .max(most, `At most ${most} blocks stand here.`);

const unknownKind = (kind: unknown, kinds: Kinds): string =>
  typeof kind === 'string' && Object.hasOwn(allKinds, kind)
    ? `A block of the kind ${kind} cannot stand in another of ${Object.hasOwn(kinds, 'columns') ? 'sections' : 'columns'}.`
    : 'A block is a heading, a text, a picture, a table, room, columns or a section.';

const columns = object({
  id,
  kind: string().strict().required(),
  columns: array()
    .strict()
    .required('The columns are missing.')
    .min(1, 'There is at least one column.')
    .max(4, 'There are at most four columns side by side.')
    .of(
      object({
        share: number().strict().required().min(1, 'A column’s share is from 1 to 12.').max(12, 'A column’s share is from 1 to 12.'),
        blocks: blocksOf(leaves, 200),
      }).noUnknown() as never,
    ),
}).noUnknown();
/** Columns do not stand in columns, nor sections in anything, so that a page is never deeper than it can be read. */
const section = object({
  id,
  kind: string().strict().required(),
  fill: colourText,
  ink: colourText,
  blocks: blocksOf({ ...leaves, columns }, 200),
}).noUnknown();
const allKinds: Kinds = { ...leaves, columns, section };

/** The ids in what may be blocks, whatever came. */
function idsIn(blocks: unknown, depth = 0): readonly unknown[] {
  // Deeper is refused by the kinds of blocks.
  if (!Array.isArray(blocks) || depth > 3) return [];
  return blocks.flatMap((each: unknown) => {
    const block = (typeof each === 'object' ? each : null) as { id?: unknown; blocks?: unknown; columns?: unknown } | null;
    const inner = Array.isArray(block?.columns) ? block.columns.map((column: { blocks?: unknown } | null) => column?.blocks) : [];
    return block ? [block.id, ...[block.blocks, ...inner].flatMap((list) => idsIn(list, depth + 1))] : [];
  });
}

const MOST_WEIGHT = 50;
const part = number()
  .strict()
  .required()
  .integer('A weight is made of whole numbers.')
  .min(0, 'A weight has no fewer than 0 ids and classes.')
  .max(MOST_WEIGHT, `A weight has at most ${MOST_WEIGHT} ids and classes.`);

export const pageSchema = object({
  format: string()
    .strict()
    .required('The document says no format.')
    .oneOf([PAGE_FORMAT] as const, `This is not a page that can be read here: its format is not ${PAGE_FORMAT}.`),
  name: nameSchema,
  slug: string()
    .strict()
    .required('A page needs an address.')
    .max(60, 'An address has at most 60 characters.')
    .matches(
      /^[\p{Ll}\p{Lo}\p{Lm}\p{N}\p{M}]+(-[\p{Ll}\p{Lo}\p{Lm}\p{N}\p{M}]+)*$/u,
      'An address is made of lower-case letters, digits and single hyphens.',
    ),
  blocks: blocksOf(allKinds, 500).test('ids', 'Two blocks have the same id.', (blocks: unknown) => {
    const ids = idsIn(blocks);
    return new Set(ids).size === ids.length;
  }),
  title: string().strict().max(200, 'A title has at most 200 characters.').optional(),
  description: string().strict().max(500, 'A description has at most 500 characters.').optional(),
  inMenu: boolean().strict().optional(),
  wide: boolean().strict().optional(),
  weight: object({ ids: part, classes: part }).noUnknown().optional().default(undefined),
  insists: boolean().strict().optional(),
}).noUnknown('A page has no other fields.') as unknown as ObjectSchema<Page>;

/** Reads a page document from JSON that came from anywhere. */
export function readPage(json: unknown): Outcome<Page> {
  const shape = checkShape(pageSchema, upgradePage(json));
  return shape.ok ? good(shape.value) : bad(...shape.problems);
}

/** What visitors of older pages could not do. */
const since3 = { choose: false, columns: false, rowLink: false, header: false, totals: false };

/**
 * In `zest-page/1` visitors could do nothing with a table but read it; in `zest-page/2` they could not choose rows, see hidden
 * columns, follow a row's link, keep the header in view and have totals of what was found; in `zest-page/3` all columns could be
 * sorted by, and the first sort knew its column by its place alone; in `zest-page/4` there were only headings, texts and tables.
 */
export function upgradePage(json: unknown): unknown {
  const old = json as { readonly format?: unknown; readonly blocks?: unknown } | null;
  if (typeof old !== 'object' || typeof old?.format !== 'string' || !/^zest-page\/[1234]$/.test(old.format) || !Array.isArray(old?.blocks))
    return json;
  const blocks = (old.blocks as readonly unknown[]).map((each) => {
    const block = each as { readonly kind?: unknown; readonly visitor?: unknown } | null;
    if (typeof block !== 'object' || block?.kind !== 'table') return each;
    const { visitor = null } = block;
    return { ...block, visitor: typeof visitor === 'object' && visitor ? upgradedVisitor(visitor) : visitor };
  });
  return { ...old, blocks, format: PAGE_FORMAT };
}
function upgradedVisitor(old: object): object {
  const { first = null } = old as { readonly first?: unknown };
  return { ...since3, unsorted: [], ...old, first: typeof first === 'object' && first ? { name: '', ...first } : first };
}
