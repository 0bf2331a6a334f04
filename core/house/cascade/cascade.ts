import type { Selector } from 'css-tree';
import { mediaHolds, type Seeing } from './conditions';
import { matches, type Match } from './matching';
import type { HouseDeclaration, HouseRule } from '../read-house';
import { setsLonghand, type Flow } from './shorthands';
import { compareWeights } from './specificity';
import type { Node } from './tree';

export type Origin = 'house' | 'ours';

/** A rule that reaches an element, and how surely. */
export interface Reaching {
  readonly origin: Origin;
  readonly rule: HouseRule;
  readonly match: Match;
}

/** A declaration that has won. */
export interface Winner {
  readonly origin: Origin;
  readonly rule: HouseRule;
  readonly declaration: HouseDeclaration;
}

/**
 * The cascade of a page's two stylesheets: the house's, then ours after it (CSS Cascade 5, section 6). What is seen decides
 * the queries of width and height; without it they stay open.
 */
export class Cascade {
  private readonly sheets: readonly (readonly [Origin, Index])[];
  private readonly seeing: Seeing | undefined;
  private readonly media = new Map<HouseRule, Match>();
  private readonly flows = new Map<Node, Flow>();
  /** Whether any text runs otherwise than across. */
  private readonly isTurned: boolean;

  constructor(sheets: { readonly house: readonly HouseRule[]; readonly ours: readonly HouseRule[] }, seeing?: Seeing) {
    this.sheets = [
      ['house', indexed(sheets.house)],
      ['ours', indexed(sheets.ours)],
    ];
    this.seeing = seeing;
    this.isTurned = [...sheets.house, ...sheets.ours].some(({ declarations }) => declarations.some(({ property }) => property === 'writing-mode'));
  }

  /** Every rule that reaches a node, or one of what it generates, surely or perhaps. */
  reaching(node: Node, pseudo = ''): readonly Reaching[] {
    return this.sheets.flatMap(([origin, index]) =>
      candidates(index, node).flatMap((rule): readonly Reaching[] => {
        if (rule.pseudo !== pseudo) return [];
        const holds = this.holds(rule);
        if (holds === 0) return [];
        const match = matches(node, rule.selector);
        return match === 0 ? [] : [{ origin, rule, match: match < holds ? match : holds }];
      }),
    );
  }

  /** What decides a longhand of an element at rest, or undefined where neither sheet says anything of it. */
  winner(node: Node, longhand: string, pseudo = ''): Winner | undefined {
    let best: Winner | undefined;
    for (const { origin, rule, match } of this.reaching(node, pseudo)) {
      if (match !== 2) continue;
      for (const declaration of rule.declarations) {
        if (!setsLonghand(declaration.property, longhand, longhand === 'writing-mode' ? 'ltr' : this.flowOf(node))) continue;
        const each = { origin, rule, declaration };
        if (!best || isStronger(each, best)) best = each;
      }
    }
    return best;
  }

  /** Which way texts run in a node: what is said of it or, since that is inherited, of what it stands in. */
  flowOf(node: Node): Flow {
    if (!this.isTurned) return node.direction;
    const known = this.flows.get(node);
    if (known !== undefined) return known;
    let mode: string | undefined;
    for (let at: Node | undefined = node; at && mode === undefined; at = at.parent) mode = this.winner(at, 'writing-mode')?.declaration.value;
    const flow: Flow =
      mode === 'sideways-lr' ? `up ${node.direction}` : mode?.startsWith('vertical') === true ? `down ${node.direction}` : node.direction;
    this.flows.set(node, flow);
    return flow;
  }

  private holds(rule: HouseRule): Match {
    const known = this.media.get(rule);
    if (known !== undefined) return known;
    let holds: Match = rule.isOpen ? 1 : 2;
    for (const query of rule.media) {
      const each = mediaHolds(query, this.seeing);
      if (each < holds) holds = each;
    }
    this.media.set(rule, holds);
    return holds;
  }
}

/** Whether a later declaration takes the place of one that was there: importance, layers, weight, then order. */
function isStronger(later: Winner, before: Winner): boolean {
  const { important } = later.declaration;
  if (important !== before.declaration.important) return important;
  const [a, b] = [layerOf(later, important), layerOf(before, important)];
  if (a !== b) return a > b;
  return compareWeights(later.rule.weight, before.rule.weight) >= 0;
}

/** Outside of layers is strongest, but weakest among what is important (CSS Cascade 5, section 6.4.4). */
function layerOf({ origin, rule }: Winner, important: boolean): number {
  const layer = origin === 'house' && rule.layer !== undefined ? rule.layer : Number.POSITIVE_INFINITY;
  return important ? -layer : layer;
}

interface Index {
  readonly ids: ReadonlyMap<string, readonly HouseRule[]>;
  readonly classes: ReadonlyMap<string, readonly HouseRule[]>;
  readonly tags: ReadonlyMap<string, readonly HouseRule[]>;
  readonly others: readonly HouseRule[];
}

/** Rules by what their last compound asks for, so that few are tried on each element. */
function indexed(rules: readonly HouseRule[]): Index {
  const [ids, classes, tags] = [new Map<string, HouseRule[]>(), new Map<string, HouseRule[]>(), new Map<string, HouseRule[]>()];
  const others: HouseRule[] = [];
  const put = (map: Map<string, HouseRule[]>, key: string, rule: HouseRule): void => void (map.get(key)?.push(rule) ?? map.set(key, [rule]));
  for (const rule of rules) {
    const { id, className, tag } = keyOf(rule.selector);
    if (id !== undefined) put(ids, id, rule);
    else if (className !== undefined) put(classes, className, rule);
    else if (tag !== undefined) put(tags, tag, rule);
    else others.push(rule);
  }
  return { ids, classes, tags, others };
}

function keyOf(selector: Selector): { id?: string; className?: string; tag?: string } {
  const parts = selector.children.toArray();
  const from = parts.findLastIndex(({ type }) => type === 'Combinator') + 1;
  const found: { id?: string; className?: string; tag?: string } = {};
  for (const part of parts.slice(from))
    // A name with an escape or a namespace is left to the matching itself.
    if ('name' in part && typeof part.name === 'string' && /^[\w-]+$/.test(part.name)) {
      if (part.type === 'IdSelector') found.id = part.name;
      else if (part.type === 'ClassSelector') found.className = part.name;
      else if (part.type === 'TypeSelector') found.tag = part.name.toLowerCase();
    }
  return found;
}

function candidates({ ids, classes, tags, others }: Index, { id, classes: own, tag }: Node): readonly HouseRule[] {
  const found = [...(ids.get(id) ?? []), ...own.flatMap((name) => classes.get(name) ?? []), ...(tags.get(tag) ?? []), ...others];
  return found.sort((a, b) => a.order - b.order);
}
