import { boolean, number, object, string, type ObjectSchema } from 'yup';
import { isLanguage } from '../data-types';
import { bad, good, type Outcome } from '../outcome';
import { checkShape } from '../problems-of';
import { nameSchema } from '../theme';
import { blocksSchema, schemeText } from './blocks/kinds';
import { PAGE_FORMAT, type Page } from './page';

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
  blocks: blocksSchema.test('ids', 'Two blocks have the same id.', (blocks: unknown) => {
    const ids = idsIn(blocks);
    return new Set(ids).size === ids.length;
  }),
  title: string().strict().max(200, 'A title has at most 200 characters.').optional(),
  description: string().strict().max(500, 'A description has at most 500 characters.').optional(),
  language: string()
    .strict()
    .optional()
    .test('language', 'A page’s language is a code such as en, de or ar-EG.', (code) => code === undefined || isLanguage(code)),
  inMenu: boolean().strict().optional(),
  wide: boolean().strict().optional(),
  scheme: schemeText.optional(),
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
 * sorted by, and the first sort knew its column by its place alone; in `zest-page/4` there were only headings, texts and tables; in
 * `zest-page/5` a placement named its table and its theme by `table`, `heldTable`, `theme` and `held`.
 */
export function upgradePage(json: unknown): unknown {
  const old = json as { readonly format?: unknown; readonly blocks?: unknown } | null;
  if (typeof old !== 'object' || typeof old?.format !== 'string' || !/^zest-page\/[12345]$/.test(old.format) || !Array.isArray(old?.blocks))
    return json;
  return { ...old, blocks: old.blocks.map((block: unknown) => upgradedBlock(block)), format: PAGE_FORMAT };
}

interface OldBlock {
  readonly kind?: unknown;
  readonly visitor?: unknown;
  readonly table?: unknown;
  readonly heldTable?: unknown;
  readonly theme?: unknown;
  readonly held?: unknown;
  readonly blocks?: unknown;
  readonly columns?: unknown;
}
/** A block of before, whatever came, and what stands in it; deeper than blocks stand is refused by their kinds. */
function upgradedBlock(each: unknown, depth = 0): unknown {
  const old = each as OldBlock | null;
  if (typeof old !== 'object' || old === null || depth > 3) return each;
  const inner = (list: unknown): unknown => (Array.isArray(list) ? list.map((block: unknown) => upgradedBlock(block, depth + 1)) : list);
  if (old.kind === 'section') return { ...old, blocks: inner(old.blocks) };
  if (old.kind === 'columns' && Array.isArray(old.columns))
    return {
      ...old,
      columns: old.columns.map((column: unknown) =>
        typeof column === 'object' && column !== null ? { ...column, blocks: inner((column as OldBlock).blocks) } : column,
      ),
    };
  if (old.kind !== 'table') return each;
  const { visitor = null, table, heldTable, theme, held, ...rest } = old;
  const at = (edition: unknown): object => (edition === undefined ? {} : { held: edition });
  return {
    ...rest,
    shows: { kind: 'tables', id: table, ...at(heldTable) },
    dress: theme === '' ? null : { kind: 'themes', id: theme, ...at(held) },
    visitor: typeof visitor === 'object' && visitor ? upgradedVisitor(visitor) : visitor,
  };
}
function upgradedVisitor(old: object): object {
  const { first = null } = old as { readonly first?: unknown };
  return { ...since3, unsorted: [], ...old, first: typeof first === 'object' && first ? { name: '', ...first } : first };
}
