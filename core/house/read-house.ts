import {
  generate,
  lexer,
  parse,
  type Atrule,
  type Block,
  type CssNode,
  type Declaration,
  type Rule,
  type Selector,
  type SelectorList,
} from 'css-tree';
import { bad, good, type Outcome } from '../outcome';
import { contain } from './cascade/contain';
import { withoutEndless } from './cascade/nesting';
import { unreadable } from './house';
import { pseudoElementOf } from './cascade/matching';
import { weightOf, type Specificity } from './cascade/specificity';

/** So many things that were left out are told one by one. */
const MOST_NOTICES = 40;

/** Something of a stylesheet that was left out, and why. */
export interface Notice {
  readonly line: number;
  readonly say: string;
}

export interface HouseDeclaration {
  readonly property: string;
  readonly value: string;
  readonly important: boolean;
}

/** One selector of a rule with what it declares; a rule with three selectors is three of these. */
export interface HouseRule {
  readonly selector: Selector;
  /** The selector as text, and the line on which its rule begins. */
  readonly text: string;
  readonly line: number;
  readonly weight: Specificity;
  /** `::before` where it dresses that; empty for the element itself. */
  readonly pseudo: string;
  readonly declarations: readonly HouseDeclaration[];
  /** The media queries that it stands within. */
  readonly media: readonly CssNode[];
  /** Whether it holds only under a condition that is not looked into: `@supports`, `@container`, `@scope`. */
  readonly isOpen: boolean;
  /** Its place among cascade layers, weakest first; undefined outside of any. */
  readonly layer: number | undefined;
  readonly order: number;
}

export interface HouseSheet {
  /** What is carried by pages: everything that fetches or that is no CSS is left out. */
  readonly css: string;
  readonly rules: readonly HouseRule[];
  readonly notices: readonly Notice[];
  /** Notices beyond those that are listed. */
  readonly more: number;
}

/**
 * Reads a stylesheet that a site has already. As a browser does, it reads on after a mistake (CSS Syntax 3, section 2.2);
 * what would fetch something from elsewhere is left out, with a sentence. Refused is only what is too long to be looked at.
 */
export function readHouse(source: string): Outcome<HouseSheet> {
  const long = unreadable(source);
  if (long !== undefined) return bad({ code: 'too-large', say: long });
  const notices: Notice[] = [];
  const note = (line: number, say: string): void => void notices.push({ line, say });
  const sheet = parse(source.replace(/^\uFEFF/, ''), {
    positions: true,
    parseCustomProperty: false,
    onParseError: ({ line, message }: Error & { line?: number }, instead: CssNode) => {
      // A nested rule that begins with a name is none: it is read further on.
      if (instead.type === 'Raw' && instead.value.includes('{')) return;
      note(line ?? 1, `This is not CSS, and is left out as browsers do: ${lower(message)}.`);
    },
  });
  withoutEndless(sheet, note);
  contain(sheet, note);
  const rules = rulesOf(sheet, isTaken);
  notices.sort((a, b) => a.line - b.line);
  return good({ css: generate(sheet), rules, notices: notices.slice(0, MOST_NOTICES), more: Math.max(0, notices.length - MOST_NOTICES) });
}

/** The rules of a stylesheet of ours, whose every value is taken. */
export const readOwn = (css: string): readonly HouseRule[] => rulesOf(parse(css, { positions: false }), () => true);

type Takes = (property: string, value: string) => boolean;
function rulesOf(sheet: CssNode, takes: Takes): readonly HouseRule[] {
  const found: Found = { rules: [], layers: new Map(), takes };
  collect(sheet, { media: [], isOpen: false, layer: undefined, parent: undefined, line: 1 }, found);
  return found.rules;
}

/** What has been found so far: rules, and cascade layers in their order. */
interface Found {
  readonly rules: HouseRule[];
  readonly layers: Map<string, number>;
  readonly takes: Takes;
}

const lower = (message: string): string => message.charAt(0).toLowerCase() + message.slice(1);

interface Around {
  readonly media: readonly CssNode[];
  readonly isOpen: boolean;
  readonly layer: string | undefined;
  /** The selectors that a nested rule stands within. */
  readonly parent: SelectorList | undefined;
  readonly line: number;
}

function collect(node: CssNode, around: Around, found: Found): void {
  if (node.type === 'StyleSheet' || node.type === 'Block')
    for (const child of node.children.toArray()) {
      if (child.type === 'Rule') collectRule(child, around, found);
      else if (child.type === 'Atrule') collectAtrule(child, around, found);
      else if (node.type === 'Block' && child.type === 'Raw' && around.parent !== undefined)
        // Nested rules that begin with a name come as they were typed, and what stands in their queries too.
        if (!child.value.includes('{'))
          declare(around.parent, parse(child.value, { context: 'declarationList', onParseError: () => undefined }), around, found);
        else collect(parse(child.value, { positions: false, onParseError: () => undefined }), around, found);
    }
}

function collectAtrule(node: Atrule, around: Around, found: Found): void {
  const name = node.name.toLowerCase();
  const line = node.loc?.start.line ?? around.line;
  if (name === 'layer' && node.prelude) {
    // Layers are in the order in which they are first named (CSS Cascade 5, section 6.4.3).
    for (const each of generate(node.prelude).split(',')) layerAt(found.layers, within(around.layer, each.trim()));
  }
  if (!node.block) return;
  const inner: Around = { ...around, line };
  if (name === 'media') collectBlock(node.block, { ...inner, media: node.prelude ? [...around.media, node.prelude] : around.media }, found);
  else if (name === 'layer') {
    const layer = within(around.layer, node.prelude ? generate(node.prelude) : `(${found.layers.size})`);
    layerAt(found.layers, layer);
    collectBlock(node.block, { ...inner, layer }, found);
  } else if (['supports', 'container', 'scope', 'starting-style'].includes(name)) collectBlock(node.block, { ...inner, isOpen: true }, found);
}

/** Within a nested at-rule, declarations are those of the rule around. */
function collectBlock(block: Block, around: Around, found: Found): void {
  if (around.parent !== undefined) declare(around.parent, block, around, found);
  collect(block, around, found);
}

const within = (layer: string | undefined, name: string): string => (layer === undefined ? name : `${layer}.${name}`);
function layerAt(layers: Map<string, number>, name: string): number {
  const known = layers.get(name);
  if (known !== undefined) return known;
  layers.set(name, layers.size);
  return layers.size - 1;
}

function collectRule(node: Rule, around: Around, found: Found): void {
  if (node.prelude.type !== 'SelectorList') return;
  const line = node.loc?.start.line ?? around.line;
  const selectors = nested(node.prelude, around.parent);
  const inner = { ...around, line, parent: selectors };
  declare(selectors, node.block, inner, found);
  collect(node.block, inner, found);
}

/** A nested rule's selectors as they stand outside (CSS Nesting 1, section 3). */
function nested(selectors: SelectorList, parent: SelectorList | undefined): SelectorList {
  if (parent === undefined) return selectors;
  const around = `:is(${generate(parent)})`;
  const text = selectors.children
    .toArray()
    .map((each) => generate(each))
    .map((each) => (each.includes('&') ? each.replaceAll('&', around) : `${around} ${each}`))
    .join(',');
  const list = parse(text, { context: 'selectorList', onParseError: () => undefined });
  return list.type === 'SelectorList' ? list : selectors;
}

function declare(selectors: SelectorList, block: CssNode, around: Around, found: Found): void {
  if (block.type !== 'Block' && block.type !== 'DeclarationList') return;
  const declarations = block.children.toArray().flatMap((child) => (child.type === 'Declaration' ? readDeclaration(child, found.takes) : []));
  if (declarations.length === 0) return;
  for (const selector of selectors.children.toArray())
    if (selector.type === 'Selector')
      found.rules.push({
        selector,
        text: generate(selector),
        line: around.line,
        weight: weightOf(selector),
        pseudo: pseudoElementOf(selector),
        declarations,
        media: around.media,
        isOpen: around.isOpen,
        layer: around.layer === undefined ? undefined : found.layers.get(around.layer),
        order: found.rules.length,
      });
}

/** A declaration, where its value is one that its property takes; others are passed over, as browsers do. */
function readDeclaration(node: Declaration, takes: Takes): readonly HouseDeclaration[] {
  const property = node.property.toLowerCase();
  const value = generate(node.value).trim();
  // A star or a line before a name was once a way to speak to one browser alone.
  if (/^(?:--|[*_])/.test(property) || !takes(property, value)) return [];
  return [{ property, value, important: node.important !== false }];
}

const taken = new Map<string, boolean>();
/** Whether a property takes a value. With a variable in it that is seen only where it is used (CSS Variables 1, section 3.1). */
export function isTaken(property: string, value: string): boolean {
  if (/\b(?:var|env|attr)\(/i.test(value)) return true;
  if (/alpha\(|progid:|expression\(/i.test(value)) return false;
  const key = `${property}:${value}`;
  let is = taken.get(key);
  if (is === undefined) {
    is = !lexer.matchProperty(property, value).error;
    if (taken.size < 20_000) taken.set(key, is);
  }
  return is;
}
