import type { Scheme } from '../../page';
import { withoutFeatured, type ModeName, type ThemeView } from '../../theme';
import { cardsCss, switchesCss } from '../cards';
import { arrangementRules } from '../rules/arrangement-rules';
import { NOTHING_BESIDE, type Beside } from './beside';
import { byMode } from './when/by-mode';
import { byWidth } from './when/by-width';
import { extraBeside, extraRules } from '../rules/beside/extra-rules';
import { forcedRules } from '../rules/forced-rules';
import { headerRules } from '../rules/header-rules';
import { paperRules } from '../rules/paper-rules';
import { overProperty } from '../rules/transition-rules';
import { goingAlong } from './plan-accent';
import { pinnedRules } from '../rules/pinned-rules';
import { withNoneHidden } from './selectors';
import { selectorsFor } from './selectors-for';
import { withSelectors, type Stylesheet } from './stylesheet';
import { themeCss } from './theme-css';
import { wholeOnPaper } from '../rules/inner-rules';
import { sortFocusRules, sortIconRules } from '../markup/visitor-html';

/** What of a recipe is always there, never, or as it is asked for. */
type Whether = 'always' | 'never' | 'asked';

/** What a theme's stylesheet is written for, and what of the theme belongs into it there. */
const recipes = {
  /** A published page: nothing that is not felt, at every width, and what the page's placements ask for. */
  page: { lean: true, clears: false, held: false, modes: true, widths: true, arranged: true, around: 'asked', pinned: 'asked' },
  /** A file that leaves: nothing is known of the tables that it will dress. */
  file: { lean: true, clears: true, held: false, modes: true, widths: true, arranged: true, around: 'always', pinned: 'always' },
  /** The grid in which a table is edited: as it is where there is room for all of it. */
  grid: { lean: false, clears: false, held: false, modes: false, widths: false, arranged: false, around: 'never', pinned: 'always' },
  /** The studio's specimen: conditions can be held open. */
  specimen: { lean: false, clears: false, held: true, modes: false, widths: true, arranged: true, around: 'always', pinned: 'never' },
  /** A picture in a library. */
  card: { lean: false, clears: false, held: false, modes: false, widths: false, arranged: false, around: 'never', pinned: 'never' },
  /** A picture of a table in a container of some width. */
  picture: { lean: false, clears: false, held: false, modes: false, widths: true, arranged: true, around: 'never', pinned: 'never' },
} as const satisfies Readonly<Record<string, Recipe>>;

interface Recipe {
  readonly lean: boolean;
  readonly clears: boolean;
  readonly held: boolean;
  readonly widths: boolean;
  readonly modes: boolean;
  readonly arranged: boolean;
  readonly around: Whether;
  readonly pinned: Whether;
}
export type SheetUse = keyof typeof recipes;

/** What a sheet is asked for beside its use. */
export interface SheetFor {
  readonly use: SheetUse;
  /** The key that names the theme's class. */
  readonly key: string;
  /** What the tables that it dresses have beside it. */
  readonly beside?: Beside;
  /** Whether visitors use one of its tables: search bar, pager, rows that are hidden. */
  readonly around?: boolean;
  /** Whether one of its tables keeps its first column in view, or its header. */
  readonly pinned?: boolean;
  readonly header?: boolean;
  /** Whether cards of pricing tables wear it beside its tables, or alone; or of all that belongs to cards the switches beside its tables. */
  readonly cards?: 'too' | 'alone' | 'switches';
  /** Whether it is bright, dark, or as the visitor has it. For a sheet of one view, that is as it is looked at. */
  readonly scheme?: Scheme;
  /** The class or attribute by which the site is dark, for one that follows; without it, it is as the visitor has it. */
  readonly mark?: string;
}

/** The modes that hold by themselves. More contrast is of a bright table; of a dark one, paper is bright all the same. */
function modesFor({ modes }: ThemeView, scheme: Scheme): readonly ModeName[] {
  if (scheme === 'dark') return modes.includes('forced') ? ['print', 'forced'] : ['print'];
  return modes.filter((mode) => mode !== 'dark' || scheme === 'follows');
}

/**
 * What is written for a theme as it is looked at, for every way in which a visitor can see it: at each width, in each mode that holds by
 * itself, or as much of that as is asked for.
 */
export function inEveryLook(
  view: ThemeView,
  scheme: Scheme,
  mark: string,
  write: (each: ThemeView) => Stylesheet,
  { widths, modes }: Pick<Recipe, 'widths' | 'modes'> = { widths: true, modes: true },
): Stylesheet {
  // Paper has no width steps.
  const whole = (each: ThemeView): Stylesheet => (widths && each.mode !== 'print' ? byWidth(each, write) : write(each));
  const base = modes && scheme === 'dark' ? view.in('dark') : view;
  return byMode(base, modes ? modesFor(view, scheme) : [], whole, scheme === 'follows' ? mark : '');
}

/** A theme's whole stylesheet for a use: the one recipe of what is written, and in which order. */
export function sheetOf(
  given: ThemeView,
  { use, key, beside = NOTHING_BESIDE, around = false, pinned = false, header = false, cards, scheme = 'light', mark = '' }: SheetFor,
): Stylesheet {
  const recipe: Recipe = recipes[use];
  // What leaves for tables without plans has not a byte of what is for these.
  const view = recipe.lean && !beside.features ? withoutFeatured(given) : given;
  const is = (whether: Whether, asked: boolean): boolean => whether === 'always' || (whether === 'asked' && asked);
  const isAround = is(recipe.around, around);
  const isVisited = recipe.around === 'asked' && around;
  const ofCards = (each: ThemeView): Stylesheet =>
    cards === undefined ? [] : cards === 'switches' ? switchesCss(each, key) : cardsCss(each, key, recipe.held);
  const ofTables = (each: ThemeView): Stylesheet => (beside.features ? goingAlong(each, key, tableNodes(each)) : tableNodes(each));
  const tableNodes = (each: ThemeView): Stylesheet => [
    ...themeCss(each, { key, lean: recipe.lean, held: recipe.held, clears: recipe.clears, around: isAround, beside }),
    ...(isVisited ? [...sortIconRules(each, key), ...sortFocusRules(each, key)] : []),
    ...(header ? headerRules(each, key) : []),
    ...(is(recipe.pinned, pinned) ? pinnedRules(each, key, beside.exceptions) : []),
    ...(recipe.arranged ? arrangementRules(each, key, beside.exceptions, beside.holdsRows) : []),
  ];
  const at = (each: ThemeView): Stylesheet => [...(cards === 'alone' ? [] : ofTables(each)), ...ofCards(each)];
  const base = recipe.modes && scheme === 'dark' ? view.in('dark') : view;
  const options = selectorsFor(base, key, recipe.held);
  const own = inEveryLook(view, scheme, mark, at, recipe);
  if (cards === 'alone') return [...own, ...extraRules(base, options)];
  const sheet = [
    ...own,
    ...(recipe.arranged ? forcedRules(view, key) : []),
    ...(recipe.modes ? [...paperRules(view, key), ...wholeOnPaper(view, options, beside.exceptions), ...overProperty(view)] : []),
    ...extraRules(base, options),
    ...extraBeside(base, options, beside),
  ];
  // Rows are hidden for visitors alone.
  return recipe.around === 'asked' && !around ? withSelectors(sheet, withNoneHidden) : sheet;
}
