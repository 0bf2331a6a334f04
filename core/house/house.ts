import { object, string, type ObjectSchema } from 'yup';
import { bad, good, type Outcome } from '../outcome';
import { schemes, type Scheme } from '../page';
import { checkShape } from '../problems-of';
import { EXTRA_MOST } from '../theme';
import { isTooDeep } from '../css-brackets';
import { mannerOf, manners } from './manners';
import { MOST_CHARACTERS } from './limits';

/** A site's house stylesheet as it is kept: one of those that ship, by its name, or one that was brought in. */
export interface House {
  readonly format: 'zest-house/1';
  /** Name of a shipped manner; empty for one's own. */
  readonly manner: string;
  /** What one's own is called: a file's name, or as it was brought in. */
  readonly name: string;
  /** One's own stylesheet as it was brought in; empty for a shipped one. */
  readonly css: string;
  /** How tables go with dark on the whole site, where neither they nor their page say so; without it they are bright. */
  readonly scheme?: Scheme;
  /** A class or an attribute of the root or the body by which the site is dark (`.dark`, `[data-look="dark"]`); without it, it is as the visitor has it. */
  readonly mark?: string;
  /** Extra CSS for every table of the site, in the words of a theme's. */
  readonly extra?: string;
}

export const HOUSE_FORMAT = 'zest-house/1';
export const houseIn = (manner: string): House => ({ format: HOUSE_FORMAT, manner, name: '', css: '' });

/** The stylesheet itself. */
export const cssOf = ({ manner, css }: House): string => mannerOf(manner)?.css ?? css;
/** What it is called. */
export const nameOf = ({ manner, name }: House): string => mannerOf(manner)?.label ?? name;

/** A class, or an attribute with a value or without. */
const DARK_MARK = /^(?:\.[a-z_][\w-]{0,60}|\[[a-z][\w-]{0,60}(?:="[\w -]{1,60}")?\])$/i;
const DARK_MARK_SAYS = 'Write a class such as .dark, or an attribute such as [data-look="dark"], that the page’s root or body has.';

/** The mark by which a site is dark, as it was typed; or what is wrong with it. A name alone is a class. */
export function readDarkMark(text: string): Outcome<string> {
  const trimmed = text.trim();
  const bare = /^[a-z_][\w-]*$/i.test(trimmed) ? `.${trimmed}` : trimmed.replace(/^(\[[^=\]]+=)'?([^'"\]]*)'?\]$/, '$1"$2"]');
  return DARK_MARK.test(bare)
    ? good(bare)
    : bad({ code: 'dark-mark', say: `“${trimmed}” is neither a class nor an attribute.`, remedy: DARK_MARK_SAYS });
}

const houseSchema = object({
  format: string()
    .strict()
    .required('The document says no format.')
    .oneOf([HOUSE_FORMAT] as const, `This is no house stylesheet that can be read here: its format is not ${HOUSE_FORMAT}.`),
  manner: string()
    .strict()
    .defined('The manner is missing; it may be empty.')
    .oneOf(['', ...manners.map(({ name }) => name)], 'No house stylesheet of this name ships.'),
  name: string().strict().defined().max(200, 'A house stylesheet’s name has at most 200 characters.'),
  css: string()
    .strict()
    .defined('The stylesheet is missing; it may be empty.')
    .test('size', (css, context) => {
      const problem = unreadable(css);
      return problem === undefined || context.createError({ message: problem });
    }),
  scheme: string()
    .strict()
    .oneOf([...schemes], 'It is light, dark, or follows the visitor.')
    .optional(),
  mark: string().strict().matches(DARK_MARK, DARK_MARK_SAYS).optional(),
  extra: string().strict().optional().max(EXTRA_MOST, `Extra CSS has at most ${EXTRA_MOST} characters.`),
}).noUnknown('A house stylesheet has no other fields.') as unknown as ObjectSchema<House>;

/** What is said of a stylesheet that is too long, or whose brackets stand too deep in one another, to be read; undefined where it is not. */
export function unreadable(css: string): string | undefined {
  if (css.length <= MOST_CHARACTERS)
    return isTooDeep(css)
      ? 'In this stylesheet brackets stand in brackets more than 200 deep, and it is not read. Look for brackets that are not closed, and bring it in again.'
      : undefined;
  const millions = (count: number): string => (count / 1_000_000).toFixed(1).replace(/\.0$/, '');
  return `This stylesheet has ${millions(css.length)} million characters; up to ${millions(MOST_CHARACTERS)} million are read. Leave out what has nothing to do with pages and tables, and bring in the rest.`;
}

/** Reads a house stylesheet from JSON that came from anywhere. */
export function readHouseDocument(json: unknown): Outcome<House> {
  const shape = checkShape(houseSchema, json);
  return shape.ok ? good(shape.value) : bad(...shape.problems);
}
