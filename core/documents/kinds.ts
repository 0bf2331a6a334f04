import { mergeThemes, placeInWords, takeTheirTheme, takeTheirs, type Conflict, type Merged } from '../edit';
import type { Outcome } from '../outcome';
import {
  PAGE_FORMAT,
  blockInWords,
  everyBlock,
  mergePages,
  readPage,
  tablesOn,
  takeTheirPage,
  upgradePage,
  type Page,
  type Ref,
  type ShownKind,
} from '../page';
import { PRICING_FORMAT, mergePricings, readPricing, takeTheirPricing, wholeComparison, type Pricing } from '../pricing';
import { TABLE_FORMAT, columnNames, mergeTables, readTable, textOf, upgradeTable, type Table } from '../table';
import { fieldName } from './value-words';
import {
  THEME_FORMAT,
  isThemeBase,
  modeNames,
  readTheme,
  upgradeTheme,
  type Bases,
  type ConditionName,
  type PartName,
  type PropertyName,
  type Theme,
} from '../theme';

/** The documents that a person makes, by the name under which a kind of them is kept and served. */
export interface Documents {
  readonly themes: Theme;
  readonly tables: Table;
  readonly pages: Page;
  readonly pricings: Pricing;
}
export type KindName = keyof Documents;

/** What all documents of a kind have in common. Stores, routes, sessions and migrations go by this and by nothing else. */
export interface DocumentKind<T> {
  /** What one is called, and many: `theme` and `themes`. */
  readonly word: string;
  /** The same for a person, where that is more than the word. */
  readonly called?: string;
  readonly words: KindName;
  /** The format as it is now, as a document names it. */
  readonly format: string;
  /** Reads one that came from anywhere; one of an older format is brought up to this one. */
  readonly read: (json: unknown, bases: Bases) => Outcome<T>;
  /** The steps from every older format to this one, which the reader and the migrations take; what is none is left as it is. */
  readonly upgrade: (json: unknown) => unknown;
  /** The documents that one is made of where it is published, as it names them: held at an edition, or following the newest. */
  readonly follows: (document: T) => readonly Ref<KindName>[];
  /** It as a placement shows it; none for what is not shown. */
  readonly shown?: (document: T) => Table;
  /** What two windows did to one since they last agreed. */
  readonly merge: (base: T, mine: T, theirs: T) => Merged<T>;
  /** One with the other side's value at the place of a conflict. */
  readonly take: (document: T, conflict: Conflict) => T;
  /** Where a conflict is, in the words and numbers of the view that the merged document has. */
  readonly where: (conflict: Conflict, merged: T) => string;
}

/** A field by its name, for a person. */
const fieldInWords = (path: readonly string[]): string => path.map(fieldName).join(', ') || 'all of it';

/** Where in a theme: a place of the anatomy, a swatch by its name, or a field. */
function whereInTheme({ path }: Conflict): string {
  const at = path.indexOf('values');
  const [part, condition, property] = at < 0 ? [] : path.slice(at + 1);
  const step = path[0] === 'widths' ? path[1] : undefined;
  const mode = path[0] === 'modes' ? modeNames.find((name) => name === path[1]) : undefined;
  if (part !== undefined && condition !== undefined)
    return placeInWords(
      { part: part as PartName, condition: condition as ConditionName, ...(step ? { step } : {}), ...(mode ? { mode } : {}) },
      property as PropertyName | undefined,
    );
  return fieldInWords(path);
}

function whereInTable({ path }: Conflict, table: Table): string {
  const [field, first = '', second = ''] = path;
  const names = columnNames(table);
  if (field === 'rows' && second !== '') {
    const said = textOf(table.rows[Number(first)]?.[0]).trim().slice(0, 40);
    return `Row ${Number(first) + 1}${said === '' || second === '0' ? '' : ` (${said})`}, ${names[Number(second)] ?? `column ${Number(second) + 1}`}`;
  }
  if (field === 'columns' && first !== '') return `The column ${names[Number(first)] ?? Number(first) + 1}: ${fieldInWords(path.slice(2))}`;
  if (field === 'exceptions' && first !== '') return `A look beside the theme: ${fieldInWords(path.slice(2))}`;
  return fieldInWords(path);
}

function whereOnPage({ path }: Conflict, page: Page): string {
  const [field, id] = path;
  const block = field === 'blocks' ? everyBlock(page.blocks).find((each) => each.id === id) : undefined;
  return block ? `${blockInWords(block)}: ${fieldInWords(path.slice(2))}` : fieldInWords(path);
}

/** Where in a pricing table: a plan, a feature or another of its things by its name, what a plan gives of a feature, or a field. */
function whereInPricing({ path }: Conflict, { plans, features, periods }: Pricing): string {
  const [field, first = '', second = ''] = path;
  const nameOf = (id: string): string => [...plans, ...features, ...periods].find((each) => each.id === id)?.name ?? id;
  if (field === 'answers' && second !== '') return `${nameOf(first)}, ${nameOf(second)}`;
  if (first === '' || field === 'first') return fieldInWords(path);
  const rest = field === 'plans' && path[2] === 'prices' && path[3] !== undefined ? ['price', nameOf(path[3])] : path.slice(2);
  return `${nameOf(first)}: ${fieldInWords(rest)}`;
}

/** Every kind of document there is. */
export const documentKinds: { readonly [kind in KindName]: DocumentKind<Documents[kind]> } = {
  themes: {
    word: 'theme',
    words: 'themes',
    format: THEME_FORMAT,
    read: readTheme,
    upgrade: upgradeTheme,
    follows: ({ base }) => (isThemeBase(base) ? [{ kind: 'themes', id: base.theme }] : []),
    merge: mergeThemes,
    take: takeTheirTheme,
    where: whereInTheme,
  },
  tables: {
    word: 'table',
    words: 'tables',
    format: TABLE_FORMAT,
    read: readTable,
    upgrade: upgradeTable,
    follows: () => [],
    shown: (table) => table,
    merge: mergeTables,
    take: takeTheirs,
    where: whereInTable,
  },
  pages: {
    word: 'page',
    words: 'pages',
    format: PAGE_FORMAT,
    read: readPage,
    upgrade: upgradePage,
    follows: (page) => tablesOn(page).flatMap(({ shows, dress }) => (dress ? [shows, dress] : [shows])),
    merge: mergePages,
    take: takeTheirPage,
    where: whereOnPage,
  },
  pricings: {
    word: 'pricing',
    called: 'pricing table',
    words: 'pricings',
    format: PRICING_FORMAT,
    read: readPricing,
    // There is no older format yet.
    upgrade: (json) => json,
    follows: () => [],
    shown: (pricing) => wholeComparison(pricing).table,
    merge: mergePricings,
    take: takeTheirPricing,
    where: whereInPricing,
  },
};
/** What a document of a kind is called by a person: `pricing table`. */
export const calledOf = (kind: KindName): string => documentKinds[kind].called ?? documentKinds[kind].word;
/** A document as a placement shows it: the table itself, the comparison of a pricing table. */
export function shownAs<K extends ShownKind>(kind: K, document: Documents[K]): Table {
  const { shown } = documentKinds[kind];
  if (!shown) throw new TypeError(`Nothing shows ${kind}`);
  return shown(document);
}
export const kindNames = Object.keys(documentKinds) as readonly KindName[];
