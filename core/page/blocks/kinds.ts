import { schemes, type Scheme } from '../scheme';
import { array, boolean, lazy, mixed, number, object, string, type AnySchema } from 'yup';
import type { Outcome } from '../../outcome';
import { own } from '../../own';
import { cellProblem, isPictureAddress, textOf, type Cell } from '../../table';
import { readRoom, readSpace, readWidth, type PlacementAlign, type PlacementWidth, type RoomAt } from '../placement';
import type { Visitor } from '../visitor';
import { visitorSchema } from '../visitor-schema';
import { groundShape, type Ground } from './ground';
import { plansShown, type PlansShown } from './plans-shown';

/** The kinds of documents that a placement can show. */
export const shownKinds = ['tables', 'pricings'] as const;
export type ShownKind = (typeof shownKinds)[number];

/** A document that something on a page is made of: its kind, its id, and the edition at which it is held; without one it follows the newest. */
export interface Ref<Kind extends string> {
  readonly kind: Kind;
  readonly id: string;
  readonly held?: number;
}

/** What stands on a page, from top to bottom. Ids are unique on the page. */
export type Block =
  | { readonly id: string; readonly kind: 'heading'; readonly level: 2 | 3; readonly text: string }
  /** A text, marked or not; an empty line begins a new paragraph. */
  | ({ readonly id: string; readonly kind: 'text'; readonly text: Cell } & Ground)
  | {
      readonly id: string;
      readonly kind: 'picture';
      /** Where it is: a picture that was brought in. Empty shows none. */
      readonly src: string;
      /** What it shows, for those who cannot see it; empty for one that only decorates. */
      readonly alt: string;
      readonly caption: string;
      /** Width and height that the file has by itself, in px, for its place to be there before it is. */
      readonly natural?: { readonly width: number; readonly height: number };
      /** As a placement's. */
      readonly width: PlacementWidth;
      readonly align: PlacementAlign;
    }
  /** Room, a length. */
  | { readonly id: string; readonly kind: 'spacer'; readonly height: string }
  /** Blocks side by side, below each other where there is too little room. */
  | { readonly id: string; readonly kind: 'columns'; readonly columns: readonly Column[] }
  /** Blocks on a ground of their own. */
  | ({ readonly id: string; readonly kind: 'section'; readonly fill: string; readonly ink: string; readonly blocks: readonly Block[] } & Ground)
  | {
      readonly id: string;
      readonly kind: 'table';
      /** What it shows: a table, or a pricing table as the comparison of its plans. */
      readonly shows: Ref<ShownKind>;
      /** For a pricing table: in which form; without it, as the comparison. */
      readonly plans?: PlansShown;
      /** The theme that dresses it; null for none of its own: it takes the one that reaches it. */
      readonly dress: Ref<'themes'> | null;
      /** How far its theme goes beyond it: to what on this page, or on the whole site, has no theme of its own. */
      readonly reach?: 'page' | 'site';
      /** Whether it stands in a shadow root of its own, which the house stylesheet cannot enter. */
      readonly isolated?: boolean;
      /** Whether its table's caption is left out; it is heard all the same. */
      readonly bare?: boolean;
      /** How it goes with dark; without it, as its page does. */
      readonly scheme?: Scheme;
      /** `content`, `fill`, `bleed` for the window's whole width, or a length as in `32rem`. */
      readonly width: PlacementWidth;
      /** `theme` for where its theme says that it sits. */
      readonly align: PlacementAlign | 'theme';
      /** Room around: `24px 0`, sides as in CSS, px, em, rem or a share of the width. */
      readonly room: string;
      /** Other room in narrower windows, each from its width in px down. */
      readonly roomAt?: readonly RoomAt[];
      /** What visitors can do with it; null for nothing but reading. */
      readonly visitor: Visitor | null;
    };
/** One of the columns of a block: how much of the width it takes beside the others, and what stands in it. */
export interface Column {
  readonly share: number;
  readonly blocks: readonly Block[];
}
export type TableBlock = Extract<Block, { kind: 'table' }>;

interface BlockKind<K extends Block['kind']> {
  /** What it is called where one is added, and within a sentence. */
  readonly name: string;
  readonly one: string;
  /** What a person would begin with; a placement begins with its table. */
  readonly empty: K extends 'table' ? null : Omit<Extract<Block, { kind: K }>, 'id' | 'kind'>;
  /** What one shows, short enough for a list. */
  readonly title: (block: Extract<Block, { kind: K }>, names: TableNames) => string;
}
/** Names of tables by their ids. */
export type TableNames = (id: string) => string | undefined;
const short = (text: Cell): string => textOf(text).trim().replace(/\s+/g, ' ').slice(0, 60);

/** The kinds of blocks in the order in which they are offered. */
const rows: { readonly [K in Block['kind']]: BlockKind<K> } = {
  heading: { name: 'Heading', one: 'a heading', empty: { level: 2, text: '' }, title: ({ text }) => short(text) || 'Empty heading' },
  text: { name: 'Text', one: 'a text', empty: { text: '' }, title: ({ text }) => short(text) || 'Empty text' },
  table: { name: 'Table', one: 'a table', empty: null, title: ({ shows }, names) => names(shows.id) ?? 'A table that is gone' },
  picture: {
    name: 'Picture',
    one: 'a picture',
    empty: { src: '', alt: '', caption: '', width: 'content', align: 'start' },
    title: ({ caption, alt }) => caption || alt || 'A picture',
  },
  spacer: { name: 'Room', one: 'room', empty: { height: '2rem' }, title: ({ height }) => height },
  columns: {
    name: 'Columns',
    one: 'columns',
    empty: {
      columns: [
        { share: 2, blocks: [] },
        { share: 1, blocks: [] },
      ],
    },
    title: (block) => block.columns.map(({ share }) => share).join(' : '),
  },
  section: { name: 'Section', one: 'a section', empty: { fill: '#f2f0e9', ink: '', blocks: [] }, title: ({ fill }) => fill || 'no fill' },
};
export const blockKinds = Object.keys(rows) as readonly Block['kind'][];
/** What a block shows, short enough for a list. */
export const blockTitle = (block: Block, names: TableNames): string => rows[block.kind].title(block as never, names);
export const blockName = (kind: Block['kind']): string => rows[kind].name;
/** A new block of a kind, with what a person would begin with. */
export const emptyBlock = (kind: Exclude<Block['kind'], 'table'>, id: string): Block => ({ id, kind, ...rows[kind].empty }) as Block;

const id = string()
  .strict()
  .required('A block needs an id.')
  .matches(/^[\w-]{1,60}$/, 'A block’s id is made of letters, digits and hyphens.');
const says = (outcome: Outcome<unknown>): string | undefined => (outcome.ok ? undefined : outcome.problems[0]?.say);

export const schemeText = string()
  .strict()
  .oneOf([...schemes], 'It is light, dark, or follows the visitor.');

const widthText = string()
  .strict()
  .required()
  .max(40)
  .test('width', (text, context) => {
    const say = says(readWidth(text ?? ''));
    return say === undefined || context.createError({ message: say });
  });
const SITS = 'A table sits at the start, the center or the end.';
const align = string().strict().required().oneOf(['start', 'center', 'end'], SITS);
const roomText = string()
  .strict()
  .required()
  .max(80)
  .test('room', (text, context) => {
    const say = says(readRoom(text ?? ''));
    return say === undefined || context.createError({ message: say });
  });
const UP_TO = 'Room is said for windows up to 120 to 4000 px wide, each width once.';
const roomAt = array()
  .strict()
  .of(object({ upTo: number().strict().required(UP_TO).integer(UP_TO).min(120, UP_TO).max(4000, UP_TO), room: roomText }).noUnknown())
  .max(12, 'At most 12 widths have a room of their own.')
  .test('widths', UP_TO, (all) => new Set(all?.map((each) => each.upTo)).size === (all?.length ?? 0))
  .optional()
  .default(undefined);
const SIDES = 'A picture’s natural sides are from 1 to 100,000 px.';
const side = number().strict().required().integer().min(1, SIDES).max(100_000, SIDES);
/** A document of a kind that is named by its id, with the edition at which it is held. */
const refTo = (kinds: readonly string[], say: string) =>
  object({
    kind: string().strict().required(say).oneOf(kinds, say),
    id: string().strict().defined('What is named has an id.').max(100),
    held: number()
      .strict()
      .integer('An edition’s number is a whole one.')
      .min(1, 'Editions are counted from 1.')
      .max(999_999_999, 'There are not so many editions.')
      .optional()
      .default(undefined),
  }).noUnknown();
/** What nothing else stands in. */
const leaves: { readonly [K in Exclude<Block['kind'], 'columns' | 'section'>]: AnySchema } = {
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
    ...groundShape(false),
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
    shows: refTo(shownKinds, 'A placement shows a table or a pricing table.').required('A placement says what it shows.'),
    plans: plansShown,
    dress: refTo(['themes'], 'A placement is dressed in a theme.')
      .nullable()
      .defined('It is missing what dresses a placement; it may be null.')
      .default(undefined),
    reach: string().strict().oneOf(['page', 'site'], 'A theme reaches its own table, the page or the site.').optional(),
    isolated: boolean().strict().optional(),
    bare: boolean().strict().optional(),
    scheme: schemeText.optional(),
    width: widthText,
    align: string().strict().required().oneOf(['theme', 'start', 'center', 'end'], SITS),
    room: roomText,
    roomAt,
    visitor: visitorSchema.nullable().defined().default(undefined),
  })
    .noUnknown()
    .test('plans', 'Only a pricing table has a form of its plans.', ({ shows, plans }) => plans === undefined || shows.kind === 'pricings'),
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
        const known = typeof kind === 'string' ? own(kinds, kind) : undefined;
        return known ?? object({ kind: string().strict().required('A block says its kind.').oneOf(Object.keys(kinds), unknownKind(kind, kinds)) });
      }) as never,
    )
    .max(most, `At most ${most} blocks stand here.`);

const unknownKind = (kind: unknown, kinds: Kinds): string =>
  typeof kind === 'string' && Object.hasOwn(allKinds, kind)
    ? `A block of the kind ${kind} cannot stand in another of ${Object.hasOwn(kinds, 'columns') ? 'sections' : 'columns'}.`
    : `A block is ${new Intl.ListFormat('en-GB', { type: 'disjunction' }).format(blockKinds.map((each) => rows[each].one))}.`;

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
  ...groundShape(true),
  blocks: blocksOf({ ...leaves, columns }, 200),
}).noUnknown();
const allKinds: { readonly [K in Block['kind']]: AnySchema } = { ...leaves, columns, section };
/** The blocks of a page, as they come from anywhere. */
export const blocksSchema = blocksOf(allKinds, 500);
