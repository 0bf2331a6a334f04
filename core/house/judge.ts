import { familyOf, rule, writeCss, type CompiledPage, type CssNode, type Stylesheet, type Weight } from '../compile';
import { Cascade, type Reaching } from './cascade/cascade';
import { readOwn, type HouseDeclaration, type HouseRule, type HouseSheet } from './read-house';
import { isInherited, longhandsOf, setsLonghand, type Flow } from './cascade/shorthands';
import { compareWeights, type Specificity } from './cascade/specificity';
import { nodesOf, treeOf, type Node } from './cascade/tree';
import { listed, placeOf, weightInWords, wordOf } from './words';

/** A rule of the house that would take something from tables, and what it takes to be stronger. */
export interface Finding {
  /** The rule's selector, and its line in the house stylesheet. */
  readonly selector: string;
  readonly line: number;
  /** What is said of it, in one sentence. */
  readonly say: string;
  /** Ids of the tables' blocks that it reaches. */
  readonly at: readonly string[];
  /** What rules of ours have to weigh more. */
  readonly weight: Weight;
  readonly isImportant: boolean;
  /** Whether no weight is enough: what is important in a cascade layer beats all that is outside of any. */
  readonly isBeyond: boolean;
}

/** What a house stylesheet does to a page's tables. */
export interface Judgement {
  /** Rules to stand before ours: what themes leave open and the house would decide is as it would be without it. */
  readonly guard: Stylesheet;
  /** Families of properties of which the house says something `!important`. */
  readonly insisted: readonly string[];
  /** The least that rules of ours have to weigh more so that each of them wins, and whether they have to insist too. */
  readonly weight: Weight;
  readonly insists: boolean;
  /** Every rule that needs more than nothing. Which of them hold depends on what the page has chosen. */
  readonly findings: readonly Finding[];
}

export const NOTHING_JUDGED: Judgement = { guard: [], insisted: [], weight: { ids: 0, classes: 0 }, insists: false, findings: [] };

/** Our rules weigh one class at least. */
const OURS: Specificity = [0, 1, 0];
const STRUCTURE = new Set(['table', 'caption', 'colgroup', 'col', 'thead', 'tbody', 'tfoot', 'tr', 'th', 'td']);
/** Marked text in cells keeps the manner of the house where a theme says nothing that reaches it. */
const TEXT = new Set(['a', 'b', 'strong', 'em', 'i', 'u', 's', 'mark', 'small', 'sub', 'sup', 'code', 'br', 'span']);
/** What tables have from their page where a theme says nothing of it (the catalogue's `page`), and what is no look of theirs. */
const PAGES_OWN = new Set(['color', 'font-family', 'font-size', 'font-style', 'line-height', 'visibility', 'cursor', 'quotes', 'text-rendering']);
const PSEUDO = ['', '::before', '::after'] as const;

/**
 * Weighs a house stylesheet against a page: which of its rules reach dressed tables, what of themes they would beat, and what
 * they would add that themes leave open. States that only a hand brings are taken to be possible, and so is every media query
 * of a screen.
 */
export function judge(page: CompiledPage, house: HouseSheet): Judgement {
  const cascade = new Cascade({ house: house.rules, ours: readOwn(writeCss(page.css, 'compact')) });
  const boxes = new Map(page.placed.filter(({ theme, isolated }) => theme !== undefined && !isolated).map(({ box, block }) => [box, block]));
  const judging = new Judging(cascade);
  for (const node of nodesOf(treeOf(page.html))) {
    const at = boxes.get(node.id);
    if (at === undefined) continue;
    judging.inherit(node);
    for (const each of nodesOf(node)) judging.look(each, at);
  }
  const isAll = page.placed.every(({ theme, isolated }) => theme !== undefined && !isolated);
  return judging.judgement(isAll ? '.zp-box' : `.zp-box:where(${[...boxes.keys()].map((id) => `#${id}`).join(',')})`);
}

interface Conflict {
  readonly rule: HouseRule;
  readonly at: Set<string>;
  readonly words: Map<string, Set<string>>;
  weight: Weight;
  isImportant: boolean;
  isBeyond: boolean;
}

class Judging {
  private readonly conflicts = new Map<HouseRule, Conflict>();
  private readonly insisted = new Set<string>();
  /** By kind of element, what the house would decide of it and no rule of ours does. */
  private readonly open = new Map<string, Set<string>>();
  /** Longhands that the house says around tables, which would come in by inheritance; and of which elements that was looked for. */
  private readonly handedIn = new Set<string>();
  private readonly looked = new Set<Node>();
  /** Longhands that our rules set on each cell and that what stands in it has from there. */
  private readonly handed = new Map<Node, ReadonlySet<string>>();

  constructor(private readonly cascade: Cascade) {}

  /**
   * What the house says around a table comes into it where nothing in between says otherwise (CSS Cascade 5, section 7.2). A theme
   * that says nothing of ink, font, size, slant and line height means the page's; of all else, what there is without a house.
   */
  inherit(box: Node): void {
    for (let node = box.parent; node && !this.looked.has(node); node = node.parent) {
      this.looked.add(node);
      for (const { rule: house, origin } of this.cascade.reaching(node))
        if (origin === 'house') for (const { property } of house.declarations) for (const name of handedOn(property, node)) this.handedIn.add(name);
    }
  }

  look(node: Node, at: string): void {
    for (const pseudo of PSEUDO) {
      const reaching = this.cascade.reaching(node, pseudo);
      const ours = reaching.filter(({ origin }) => origin === 'ours');
      if (pseudo === '' && (node.tag === 'td' || node.tag === 'th')) this.handed.set(node, inheritedFrom(ours));
      for (const { rule: house, origin } of reaching)
        if (origin === 'house') for (const declaration of house.declarations) this.weigh(node, pseudo, at, house, declaration, ours);
    }
  }

  private weigh(node: Node, pseudo: string, at: string, house: HouseRule, declaration: HouseDeclaration, ours: readonly Reaching[]): void {
    const kind = kindOf(node, pseudo);
    const flow = this.cascade.flowOf(node);
    const longhands = declaration.property === 'all' ? ['all'] : longhandsOf(declaration.property, flow);
    let isOpen = false;
    for (const longhand of longhands) {
      const saying = ours.filter(({ rule: own }) => own.declarations.some(({ property }) => declares(property, longhand, flow)));
      const surely = saying.filter(({ match }) => match === 2).map(({ rule: own }) => own.weight);
      if (surely.length === 0 && !this.isOurs(node, pseudo, longhand, saying.length > 0)) continue;
      if (surely.length === 0 || longhand === 'all') isOpen = true;
      const most = surely.reduce<Specificity>((best, each) => (compareWeights(each, best) > 0 ? each : best), OURS);
      this.note(house, declaration, node, at, longhand, longhand === 'all' ? OURS : most);
    }
    if (isOpen) this.open.set(kind, (this.open.get(kind) ?? new Set()).add(declaration.property));
  }

  /** Whether something is ours to decide though no rule of ours surely does: of text in cells only what it has from its cell. */
  private isOurs(node: Node, pseudo: string, longhand: string, isSaid: boolean): boolean {
    if (isSaid) return true;
    if (!TEXT.has(node.tag) || node.classes.length > 0) return true;
    if (pseudo !== '') return false;
    for (let cell = node.parent; cell; cell = cell.parent) {
      const handed = this.handed.get(cell);
      if (handed) return longhand === 'all' ? handed.size > 0 : handed.has(longhand);
    }
    return false;
  }

  private note(house: HouseRule, { important }: HouseDeclaration, node: Node, at: string, longhand: string, ours: Specificity): void {
    if (important) this.insisted.add(longhand === 'all' ? 'all' : familyOf(longhand));
    // What stands in a layer is weaker than all that is outside, unless it is important: then it is stronger.
    const isLayered = house.layer !== undefined;
    if (isLayered && !important) return;
    const weight = missing(ours, house.weight);
    if (weight.ids + weight.classes === 0 && !important) return;
    const conflict = this.conflicts.get(house) ?? {
      rule: house,
      at: new Set<string>(),
      words: new Map<string, Set<string>>(),
      weight,
      isImportant: false,
      isBeyond: false,
    };
    this.conflicts.set(house, conflict);
    conflict.at.add(at);
    const place = placeOf(node.tag);
    conflict.words.set(place, (conflict.words.get(place) ?? new Set()).add(longhand === 'all' ? 'everything' : wordOf(longhand)));
    conflict.weight = heavier(conflict.weight, weight);
    conflict.isImportant ||= important;
    conflict.isBeyond ||= important && isLayered;
  }

  judgement(box: string): Judgement {
    const findings = [...this.conflicts.values()].sort((a, b) => a.rule.order - b.rule.order).map(findingOf);
    return {
      guard: [
        ...guardOf(this.open, box),
        ...(this.handedIn.size > 0 ? [rule(box, ...[...this.handedIn].sort().map((longhand) => [longhand, 'initial'] as const))] : []),
      ],
      insisted: [...this.insisted],
      weight: findings.map(({ weight }) => weight).reduce(heavier, { ids: 0, classes: 0 }),
      insists: findings.some(({ isImportant }) => isImportant),
      findings,
    };
  }
}

const declares = (property: string, longhand: string, flow: Flow): boolean =>
  longhand === 'all' ? property === 'all' : setsLonghand(property, longhand, flow);

/** What a declaration around a table hands into it. `font` sets most of its longhands to what they are anyway (CSS Fonts 4, section 2.7). */
function handedOn(property: string, node: Node): readonly string[] {
  if (property === 'font') return ['font-weight', 'font-stretch', 'font-variant'];
  const names = longhandsOf(property, node.direction).filter((longhand) => isInherited(longhand) && !PAGES_OWN.has(longhand));
  return names.map((name) => (name.startsWith('font-variant-') ? 'font-variant' : name));
}

function inheritedFrom(ours: readonly Reaching[]): ReadonlySet<string> {
  const set = ours.flatMap(({ rule: own }) => own.declarations.flatMap(({ property }) => longhandsOf(property)));
  return new Set(set.filter(isInherited));
}

export const heavier = (a: Weight, b: Weight): Weight => (b.ids > a.ids || (b.ids === a.ids && b.classes > a.classes) ? b : a);

/** The least that has to be added to a weight so that it is no less than another; whole ids and classes. */
export function missing(own: Specificity, other: Specificity): Weight {
  if (compareWeights(own, other) >= 0) return { ids: 0, classes: 0 };
  const ids = other[0] - own[0];
  const short = other[1] - own[1];
  if (short < 0) return { ids, classes: 0 };
  // As many classes as the other: then its elements decide.
  return { ids, classes: short + (other[2] > own[2] ? 1 : 0) };
}

/** A selector of the kind of an element: structure and text by tag, marks of ours by their class. */
function kindOf(node: Node, pseudo: string): string {
  const mark = STRUCTURE.has(node.tag) ? undefined : node.classes.find((name) => name.startsWith('zp-'));
  return `${mark === undefined ? node.tag : `.${mark}`}${pseudo}`;
}

/** One rule for all kinds of which the house decides the same. */
function guardOf(open: ReadonlyMap<string, ReadonlySet<string>>, box: string): Stylesheet {
  const byNames = new Map<string, string[]>();
  for (const [kind, names] of open) {
    // What `all` sets is said again by name, since the page may have to insist on some of it.
    const whole = [...names].filter((name) => ![...names].some((other) => other !== name && covers(other, name)));
    const key = whole.sort((a, b) => Number(b === 'all') - Number(a === 'all') || (a < b ? -1 : 1)).join(' ');
    byNames.set(key, [...(byNames.get(key) ?? []), kind]);
  }
  const rules = [...byNames].map(([names, kinds]): CssNode => {
    const selector = kinds.map((kind) => selectorIn(kind, box)).join(',');
    return rule(selector, ...names.split(' ').map((name) => [name, 'revert'] as const));
  });
  // What hides an element by its attribute is weaker than any rule, and would be taken back with it.
  const isShown = [...open.values()].some((names) => names.has('display') || names.has('all'));
  return isShown ? [...rules, rule(`${box} :where([hidden])`, ['display', 'none'])] : rules;
}

/** Whether a property sets all that another sets, and more. */
function covers(property: string, other: string): boolean {
  const [all, some] = [longhandsOf(property), longhandsOf(other)];
  return all.length > some.length && some.every((each) => all.includes(each));
}

function selectorIn(kind: string, box: string): string {
  const [tag = '', pseudo = ''] = kind.split('::');
  const end = pseudo === '' ? '' : `::${pseudo}`;
  return tag === '.zp-box' ? `${box}${end}` : `${box} :where(${tag})${end}`;
}

function findingOf({ rule: house, at, words, weight, isImportant, isBeyond }: Conflict): Finding {
  const taken = listed([...words].map(([place, names]) => `${listed([...names])} of ${place}`));
  const where = at.size === 1 ? 'one table' : `${at.size} tables`;
  const how = isImportant ? `says !important` : `weighs ${weightInWords(house.weight)}`;
  const end = isBeyond ? ', in a cascade layer, where no weight is enough' : '';
  return {
    selector: house.text,
    line: house.line,
    say: `“${house.text.slice(0, 80)}” (line ${house.line}) ${how}${end}: it takes ${taken} from the theme, in ${where}.`,
    at: [...at],
    weight,
    isImportant,
    isBeyond,
  };
}
