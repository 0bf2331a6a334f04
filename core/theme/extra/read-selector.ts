import type { CssNode, Selector } from 'css-tree';
import generate from 'css-tree/generator';
import walk from 'css-tree/walker';
import { closest, distance } from 'fastest-levenshtein';
import { conditionNames, type ConditionName } from '../catalogue/conditions';
import { partNames, partOf, type PartName } from '../catalogue/parts';
import type { Reached } from './extra';
import { safe } from './safe';

/** What is wrong with a selector, and at which of its nodes. */
export interface Refused {
  readonly say: string;
  readonly node: CssNode | undefined;
}
export type ReadSelector = Reached | Refused;
export const isRefused = (read: ReadSelector): read is Refused => 'say' in read;

const isPart = (name: string): name is PartName => (partNames as readonly string[]).includes(name);
const isCondition = (name: string): name is ConditionName => (conditionNames as readonly string[]).includes(name);
/** Parts that are no elements of HTML, so that nothing else can be meant by their names (HTML, section 4). */
const isOnlyPart = (name: string): name is PartName => isPart(name) && !['table', 'caption', 'footer'].includes(name);

/** Pseudo-classes that narrow what is reached (Selectors 4). */
const NARROWING = new Set(
  (
    'active any-link checked default defined dir disabled empty enabled first-child first-of-type focus focus-visible focus-within has hover ' +
    'in-range indeterminate invalid is lang last-child last-of-type link local-link not nth-child nth-last-child nth-last-of-type nth-of-type ' +
    'only-child only-of-type open optional out-of-range placeholder-shown popover-open read-only read-write required target user-invalid ' +
    'user-valid valid visited where autofill modal'
  ).split(' '),
);
const DESCENDANT = ' ';

/** Where a selector stands: what it has reached so far. */
interface At {
  part: PartName;
  conditions: ConditionName[];
  also: string;
  below: string;
  /** Whether a combinator was just read. */
  isJoined: boolean;
}

class Wrong extends Error {
  constructor(
    readonly say: string,
    readonly node: CssNode | undefined,
  ) {
    super(say);
  }
}

/**
 * Reads a selector of extra CSS: a part as an element, conditions as pseudo-classes of it, then real elements inside it. Within another
 * rule it goes on from what that reaches (CSS Nesting 1, section 3): `&` stands at its beginning.
 */
export function readSelector(selector: Selector, parent: Reached | undefined): ReadSelector {
  try {
    return read(selector.children.toArray(), parent);
  } catch (error) {
    if (error instanceof Wrong) return { say: error.say, node: error.node };
    throw error;
  }
}

function read(nodes: readonly CssNode[], parent: Reached | undefined): Reached {
  const [first] = nodes;
  const at = parent === undefined ? begin(first) : within(parent, first);
  const rest = parent === undefined || first?.type === 'NestingSelector' || at.isJoined === 'begun' ? nodes.slice(1) : nodes;
  const state: At = { ...at, isJoined: at.isJoined === true };
  for (const node of rest) step(state, node);
  if (state.isJoined) throw new Wrong('This selector ends before it says what it reaches.', nodes.at(-1));
  const { part, conditions, also, below } = state;
  return { part, conditions, also, below };
}

type Begun = Omit<At, 'isJoined'> & { readonly isJoined: boolean | 'begun' };

/** The first element of a selector that stands alone is a part. */
function begin(node: CssNode | undefined): Begun {
  if (node?.type === 'TypeSelector' && isPart(node.name)) return atPart(node.name, node);
  if (node?.type === 'NestingSelector') throw new Wrong('“&” means the rule around this one, and here is none.', node);
  throw new Wrong(notAPart(node?.type === 'TypeSelector' ? node.name : node === undefined ? '' : generate(node)), node);
}

function atPart(part: PartName, node: CssNode): Begun {
  if (part === 'lines') throw new Wrong('Lines are no element of their own. Set them in the ledger, or as borders of cells.', node);
  return { part, conditions: [], also: '', below: '', isJoined: false };
}

const notAPart = (name: string): string => {
  const near = closest(name, [...partNames]);
  const isNear = distance(name, near) <= 3;
  const all = partNames.filter((each) => each !== 'lines').join(', ');
  return `“${name}” is no part of a table. ${isNear ? `Did you mean ${near}?` : `A selector begins with one: ${all}.`}`;
};

/** What a nested selector goes on from. */
function within(parent: Reached, first: CssNode | undefined): Begun {
  const { part, also, below } = parent;
  const conditions = [...parent.conditions];
  if (first?.type === 'NestingSelector') return { part, conditions, also, below, isJoined: false };
  const isBare = part === 'table' && also === '' && below === '' && conditions.length === 0;
  if (isBare && first?.type === 'TypeSelector' && isOnlyPart(first.name)) return { ...atPart(first.name, first), isJoined: 'begun' };
  if (first?.type === 'Combinator') return { part, conditions, also, below, isJoined: false };
  return { part, conditions, also, below: `${below}${DESCENDANT}`, isJoined: true };
}

const NARROWS = new Set<CssNode['type']>(['ClassSelector', 'AttributeSelector', 'IdSelector']);

function step(at: At, node: CssNode): void {
  if (node.type === 'Combinator') join(at, node.name.trim() === '' ? DESCENDANT : node.name, node);
  else if (node.type === 'TypeSelector') element(at, node.name, node);
  else if (node.type === 'PseudoClassSelector') pseudoClass(at, node.name.toLowerCase(), node);
  else if (node.type === 'PseudoElementSelector') more(at, generate(node), true);
  else if (NARROWS.has(node.type)) more(at, generate(node));
  else if (node.type === 'NestingSelector')
    throw new Wrong('“&” stands at the beginning of a selector: what is around the part is not reached.', node);
  else throw new Wrong(`“${generate(node)}” cannot stand in a selector here.`, node);
}

function join(at: At, combinator: string, node: CssNode): void {
  if (at.below === '' && combinator !== DESCENDANT && combinator !== '>')
    throw new Wrong(`“${combinator}” would lead out of the part. What stands in it is reached by a space or “>”.`, node);
  if (!['>', '+', '~', DESCENDANT].includes(combinator)) throw new Wrong(`“${combinator}” cannot stand in a selector here.`, node);
  at.below += combinator;
  at.isJoined = true;
}

/** What stands in cells is reached below them by the same names (`compile/rules/beside/extra-rules.ts`). */
const contents: ReadonlySet<string> = new Set(['links', 'buttons', 'icons'] satisfies readonly PartName[]);

function element(at: At, name: string, node: CssNode): void {
  if (!at.isJoined) throw new Wrong(`“${name}” stands where no element can.`, node);
  const isBare = at.part === 'table' && at.also === '' && at.conditions.length === 0 && at.below.trim().replace('>', '') === '';
  if (isBare && isOnlyPart(name)) Object.assign(at, { ...atPart(name, node), isJoined: false });
  else {
    if (isOnlyPart(name) && !contents.has(name)) throw new Wrong(`“${name}” is a part of its own: begin a selector with it.`, node);
    more(at, name.toLowerCase());
  }
}

function pseudoClass(at: At, name: string, node: CssNode): void {
  const isOfPart = at.below === '';
  if (isOfPart && isCondition(name)) {
    if (!partOf(at.part).conditions.includes(name)) throw new Wrong(`${partOf(at.part).label} cannot be “${name}”. ${conditionsOf(at.part)}`, node);
    if (name !== 'rest' && !at.conditions.includes(name)) at.conditions.push(name);
    return;
  }
  if (!NARROWING.has(name)) {
    if (isCondition(name))
      throw new Wrong(`“:${name}” is said of a part, not of what stands in it${name === 'hovered' ? '; write :hover' : ''}.`, node);
    const near = closest(name, [...partOf(at.part).conditions, ...NARROWING]);
    throw new Wrong(`There is no “:${name}”.${distance(name, near) <= 2 ? ` Did you mean :${near}?` : ` ${conditionsOf(at.part)}`}`, node);
  }
  const inner = conditionIn(node);
  if (inner !== undefined) throw new Wrong(`“:${inner}” stands alone, not within “:${name}()”. Write a rule for each.`, node);
  more(at, generate(node));
}

const conditionsOf = (part: PartName): string => {
  const can = partOf(part).conditions.filter((each) => each !== 'rest');
  return can.length === 0 ? 'It has no conditions.' : `It can be ${can.map((each) => `:${each}`).join(', ')}.`;
};

/** A condition of ours within the brackets of a pseudo-class, which browsers would not know. */
function conditionIn(node: CssNode): string | undefined {
  let found: string | undefined;
  walk(node, (inner) => {
    if (inner !== node && inner.type === 'PseudoClassSelector' && isCondition(inner.name) && !NARROWING.has(inner.name)) found ??= inner.name;
  });
  return found;
}

function more(at: At, text: string, isPseudo = false): void {
  if (at.below === '' && !isPseudo) at.also += safe(text);
  else at.below += safe(text);
  at.isJoined = false;
}
