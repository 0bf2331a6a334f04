import type { Atrule, Block, CssNode, Declaration, Rule, Selector } from 'css-tree';
import generate from 'css-tree/generator';
import parse from 'css-tree/parser';
import { isTooDeep } from '../../css-brackets';
import { conditionNames, type ConditionName } from '../catalogue/conditions';
import type { PartName } from '../catalogue/parts';
import type { PropertyName } from '../catalogue/properties';
import type { Theme } from '../theme';
import { judgeDeclaration, propertyNameOf } from './allowed';
import { asValue } from './as-value';
import {
  EXTRA_MOST,
  type Around,
  type Extra,
  type ExtraDeclaration,
  type ExtraFrames,
  type ExtraNotice,
  type ExtraRule,
  type ExtraWritten,
  type Reached,
} from './extra';
import { inLonghands } from './longhands';
import { isRefused, readSelector } from './read-selector';
import { safe } from './safe';
import { after, before, endOfBlock, startOf, type Start } from './source';

/** So many rules are read, each selector of a list for itself; nested lists multiply. */
const RULES_MOST = 2000;
const SELECTOR_MOST = 2000;
/** So many things are told. */
const NOTICES_MOST = 100;

const read = new Map<string, Extra>();
/** So many texts are remembered: what is typed changes with each key. */
const REMEMBERED = 60;

/**
 * Reads a theme's extra CSS. As browsers do, it goes on after a mistake (CSS Syntax 3, section 2.2); whatever is left out is told with
 * its place. Beside a theme, as that of one table or of the site (`isAside`), nothing of it is a value of the ledger. Nothing that is read reaches beyond the tables that wear the theme, fetches, or runs.
 */
export function readExtra(css: string, swatches: ReadonlySet<string>, isAside = false): Extra {
  const key = `${isAside} ${[...swatches].join(' ')}\n${css}`;
  const known = read.get(key);
  if (known) return known;
  const extra = new Reading(swatches, isAside).all(css);
  if (read.size >= REMEMBERED) read.clear();
  read.set(key, extra);
  return extra;
}

export const NO_EXTRA: Extra = { isAside: false, values: {}, lineOf: () => undefined, rules: [], keyframes: [], notices: [], written: [] };

/** Where a reader stands: what the rules around reach, and the queries around them. */
interface Within {
  readonly reached: readonly Reached[] | undefined;
  readonly around: readonly Around[];
}

class Reading {
  private readonly rules: ExtraRule[] = [];
  private readonly keyframes: ExtraFrames[] = [];
  private readonly notices: ExtraNotice[] = [];
  private readonly written: ExtraWritten[] = [];
  private readonly values = new Map<PartName, Map<ConditionName, Map<PropertyName, string>>>();
  private readonly lines = new Map<string, number>();
  private isFull = false;

  constructor(
    private readonly swatches: ReadonlySet<string>,
    private readonly isAside: boolean,
  ) {}

  private source = '';

  all(css: string): Extra {
    this.source = css;
    if (css.length > EXTRA_MOST) {
      this.tell(undefined, `Extra CSS has at most ${EXTRA_MOST.toLocaleString('en-GB')} characters; this has ${css.length.toLocaleString('en-GB')}.`);
    } else if (isTooDeep(css)) {
      this.tell(undefined, 'Brackets stand in brackets more than 200 deep. Look for one that is not closed.');
    } else if (css.trim() !== '') this.block(this.parsed(css), { reached: undefined, around: [] });
    this.notices.sort((a, b) => a.line - b.line || a.column - b.column);
    return {
      isAside: this.isAside,
      values: valuesOf(this.values),
      lineOf: (part, condition, property) => this.lines.get(`${part} ${condition} ${property}`),
      rules: this.rules,
      keyframes: this.keyframes,
      notices: this.notices.slice(0, NOTICES_MOST),
      written: this.written,
    };
  }

  private parsed(css: string, at?: Start, context: 'stylesheet' | 'block' = 'stylesheet'): CssNode {
    return parse(css, {
      context,
      positions: true,
      parseCustomProperty: true,
      ...at,
      onParseError: ({ message }, instead) => {
        // A nested rule that begins with a name comes as it was typed, and is read further on.
        if (instead.type !== 'Raw' || !instead.value.includes('{')) this.tell(instead, `This is not CSS: ${lower(message)}.`);
      },
    });
  }

  private tell(node: CssNode | undefined, say: string, isLeftOut = true): void {
    const start = node?.loc?.start;
    const end = node?.loc?.end;
    const [line, column] = [start?.line ?? 1, start?.column ?? 1];
    // Of a list of selectors each is looked at; what is wrong with what they share is told once.
    if (this.notices.some((each) => each.line === line && each.column === column && each.say === say)) return;
    this.notices.push({
      line,
      column,
      length: start && end?.line === start.line ? end.column - start.column : 0,
      say,
      isLeftOut,
    });
  }

  /** What stands in a sheet or a block, in its order: declarations that stand together are one rule. */
  private block(block: CssNode, within: Within): void {
    if (block.type !== 'StyleSheet' && block.type !== 'Block') return;
    let together: Declaration[] = [];
    const flush = (): void => {
      this.declare(together, within);
      together = [];
    };
    for (const child of block.children.toArray()) {
      const nested = this.nestedIn(child);
      if (child.type === 'Declaration' && nested === undefined) {
        together.push(child);
        continue;
      }
      flush();
      if (nested !== undefined) this.nested(nested, startOf(child), within);
      else if (child.type === 'Rule') this.rule(child, within);
      else if (child.type === 'Atrule') this.atrule(child, within);
    }
    flush();
  }

  /** The text of a rule that was taken for a declaration, since it begins with a name: `a:hover { … }` (CSS Syntax 3, section 5.5.4). */
  private nestedIn(node: CssNode): string | undefined {
    if (node.type !== 'Raw' && (node.type !== 'Declaration' || node.property.startsWith('--'))) return undefined;
    const text = node.loc ? this.source.slice(node.loc.start.offset, node.loc.end.offset) : '';
    return endOfBlock(text) < 0 ? undefined : text;
  }

  /** Reads such a rule, and what follows it. */
  private nested(text: string, at: Start, within: Within): void {
    const end = endOfBlock(text);
    this.block(this.parsed(text.slice(0, end), at), within);
    const rest = text.slice(end);
    if (rest.trim() !== '') this.block(this.parsed(`{${rest}}`, before(after(at, text.slice(0, end))), 'block'), within);
  }

  private rule(rule: Rule, { reached: parents, around }: Within): void {
    if (rule.prelude.type !== 'SelectorList') {
      this.tell(rule.prelude, `“${generate(rule.prelude).slice(0, 60)}” is no selector.`);
      return;
    }
    const reached: Reached[] = [];
    for (const selector of rule.prelude.children.toArray()) {
      if (selector.type !== 'Selector') continue;
      for (const parent of parents ?? [undefined]) {
        const found = this.selector(selector, parent);
        if (found !== undefined) reached.push(found);
      }
    }
    if (reached.length > RULES_MOST) this.full(rule);
    else if (reached.length > 0) this.block(rule.block, { reached, around });
  }

  private selector(selector: Selector, parent: Reached | undefined): Reached | undefined {
    const found = readSelector(selector, parent);
    if (isRefused(found)) this.tell(found.node ?? selector, found.say);
    else if (found.also.length + found.below.length > SELECTOR_MOST) this.full(selector);
    else return found;
    return undefined;
  }

  private full(node: CssNode): void {
    if (!this.isFull) this.tell(node, 'Nested as it is, this comes to more selectors than can be read. What goes beyond is left out.');
    this.isFull = true;
  }

  private atrule(node: Atrule, within: Within): void {
    const name = node.name.toLowerCase();
    if (name === 'keyframes' || name === '-webkit-keyframes') return this.frames(node);
    const refusal = refusalOf(name);
    if (refusal !== undefined) return this.tell(node, refusal);
    const query = node.prelude ? generate(node.prelude) : '';
    if (query === '' || !node.block) return this.tell(node, `@${name} says no query, or nothing that holds under it.`);
    if (query.includes('<\/')) return this.tell(node, `“${query.slice(0, 60)}” is no query.`);
    this.block(node.block, { ...within, around: [...within.around, { kind: name as Around['kind'], query }] });
  }

  private frames(node: Atrule): void {
    const name = node.prelude ? generate(node.prelude).trim() : '';
    if (!/^[a-z_][\w-]{0,60}$/i.test(name)) return this.tell(node, 'Keyframes have a name of letters, digits and hyphens, a letter first.');
    const frames = (node.block?.children.toArray() ?? []).flatMap((child) =>
      child.type === 'Rule'
        ? [{ at: generate(child.prelude), declarations: declarationsOf(child.block).flatMap((each) => this.taken(each, undefined) ?? []) }]
        : [],
    );
    const others = this.keyframes.filter((each) => each.name !== name);
    this.keyframes.splice(0, Infinity, ...others, { name, frames: frames.filter(({ at }) => /^[\w%.,\s]+$/.test(at)) });
  }

  /** A declaration as it is written, if it may stand where it does. */
  private taken(declaration: Declaration, reached: Reached | undefined): [ExtraDeclaration] | undefined {
    const verdict = judgeDeclaration(declaration, reached, this.swatches);
    if (verdict !== undefined) this.tell(declaration, verdict.say, verdict.isLeftOut);
    if (verdict?.isLeftOut === true) return undefined;
    if (declaration.important !== false) this.tell(declaration, '!important is left out: extra CSS stands above what the theme says anyway.', false);
    const [name, value] = [propertyNameOf(declaration), safe(generate(declaration.value).trim())];
    const { line, column } = startOf(declaration);
    if (!this.written.some((each) => each.line === line && each.column === column)) this.written.push({ property: name, value, line, column });
    return [[name, value]];
  }

  private declare(declarations: readonly Declaration[], { reached, around }: Within): void {
    if (declarations.length === 0) return;
    if (reached === undefined) {
      for (const each of declarations) this.tell(each, 'A declaration stands in a rule: body-rows { … }.');
      return;
    }
    for (const each of reached) {
      if (this.rules.length >= RULES_MOST) return this.full(declarations[0] as CssNode);
      const taken = declarations.flatMap((declaration) => {
        const [made] = this.taken(declaration, each) ?? [];
        return made ? [{ made, line: declaration.loc?.start.line ?? 1 }] : [];
      });
      const left = taken.filter(({ made, line }) => !(around.length === 0 && this.set(each, made, line)));
      if (left.length > 0) this.rules.push({ reached: each, around, declarations: left.map(({ made }) => made), line: left[0]?.line ?? 1 });
    }
  }

  /** Takes a declaration as a value of the ledger, where it is one. */
  private set({ part, conditions, also, below }: Reached, made: ExtraDeclaration, line: number): boolean {
    if (this.isAside || also !== '' || below !== '' || conditions.length > 1) return false;
    const [condition = 'rest'] = conditions;
    const values = inLonghands(made).map((each) => asValue(part, condition, each, this.swatches));
    if (values.some((each) => each === undefined)) return false;
    this.forget(part, condition, made[0]);
    for (const value of values) {
      if (value === undefined) continue;
      const ofPart = this.values.get(part) ?? new Map<ConditionName, Map<PropertyName, string>>();
      const own = ofPart.get(condition) ?? new Map<PropertyName, string>();
      this.values.set(part, ofPart.set(condition, own.set(value.property, value.text)));
      this.lines.set(`${part} ${condition} ${value.property}`, line);
    }
    return true;
  }

  /** What was said before of the same property at the same place, in words that the ledger does not have, gives way. */
  private forget(part: PartName, condition: ConditionName, property: string): void {
    for (const [i, { reached, around, declarations, line }] of this.rules.entries()) {
      const isSame = reached.part === part && (reached.conditions[0] ?? 'rest') === condition && reached.conditions.length < 2;
      if (isSame && around.length === 0 && reached.also === '' && reached.below === '')
        this.rules[i] = { reached, around, declarations: declarations.filter(([name]) => name !== property), line };
    }
  }
}

const declarationsOf = (block: Block): readonly Declaration[] => block.children.toArray().filter((each) => each.type === 'Declaration');
const lower = (message: string): string => message.charAt(0).toLowerCase() + message.slice(1);

/** Why an at-rule cannot stand here. */
function refusalOf(name: string): string | undefined {
  if (['media', 'container', 'supports'].includes(name)) return undefined;
  if (name === 'import') return '@import is left out: nothing is fetched. Write what it holds here.';
  if (name === 'font-face') return '@font-face is left out: its file would be fetched. The fonts that ship are named in the ledger.';
  if (name === 'layer') return '@layer is left out: extra CSS stands above what the theme says, in the order in which it is written.';
  return `@${name} is left out: here are @media, @container, @supports and @keyframes.`;
}

const valuesOf = (values: ReadonlyMap<PartName, ReadonlyMap<ConditionName, ReadonlyMap<PropertyName, string>>>): Theme['values'] =>
  Object.fromEntries(
    [...values].map(([part, conditions]) => [
      part,
      Object.fromEntries(
        conditionNames.flatMap((condition) => {
          const own = conditions.get(condition);
          return own ? [[condition, Object.fromEntries(own)]] : [];
        }),
      ),
    ]),
  );
