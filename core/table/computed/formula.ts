import { bad, good, type Outcome } from '../../outcome';
import { OLD_POWER, isNothingThere, parsed, whatIsWrong, type Expression } from './grammar';
import { sameName, writtenName } from './names';

export type Sum = 'sum' | 'difference' | 'product' | 'quotient';
export type Comparison = '=' | '<>' | '<' | '<=' | '>' | '>=';
/** What a formula is made of, once its column names are known. Columns count from 0. */
export type Term =
  | { readonly kind: 'number'; readonly value: number }
  | { readonly kind: 'text'; readonly value: string }
  | { readonly kind: 'truth'; readonly value: boolean | null }
  | { readonly kind: 'column'; readonly column: number }
  | { readonly kind: 'sign' | 'not' | 'is-null'; readonly of: Term }
  | { readonly kind: Sum | 'join' | 'and' | 'or'; readonly left: Term; readonly right: Term }
  | { readonly kind: 'compare'; readonly by: Comparison; readonly left: Term; readonly right: Term }
  | { readonly kind: 'call'; readonly name: FormulaFunction; readonly terms: readonly Term[] }
  | { readonly kind: 'whole'; readonly name: WholeFunction; readonly column: number };

/** Functions of values in the same row. `mod`, `power` and `abs` are SQL's own. */
export const formulaFunctions = ['sum', 'mean', 'least', 'greatest', 'round', 'abs', 'mod', 'power'] as const;
export type FormulaFunction = (typeof formulaFunctions)[number];
/** Functions that look at a whole column: a value's share of the column's total, the total so far, its place from the greatest on. */
export const wholeFunctions = ['share', 'running', 'rank'] as const;
export type WholeFunction = (typeof wholeFunctions)[number];

export interface Formula {
  readonly term: Term;
  /** The columns that it reads. */
  readonly columns: readonly number[];
  /** Whether a row's value depends on other rows. */
  readonly isWhole: boolean;
}

const sums: ReadonlyMap<string, Sum | 'join'> = new Map([
  ['+', 'sum'],
  ['-', 'difference'],
  ['*', 'product'],
  ['/', 'quotient'],
  ['||', 'join'],
]);
const comparisons: readonly Comparison[] = ['=', '<>', '<', '<=', '>', '>='];
/** Functions that take so many values and no other number of them. */
const takes: ReadonlyMap<string, number> = new Map([
  ['mod', 2],
  ['power', 2],
  ['abs', 1],
]);

const MOST_DEPTH = 60;
const word = (value: unknown): string => (typeof value === 'string' ? value : '');
const isNode = (value: unknown): value is Expression => typeof value === 'object' && value !== null && 'type' in value;

/** Habits from elsewhere, each with how it is written here. */
function remedyFor(typed: string): string {
  if (/\[[^\][]*\]/.test(typed))
    return `A column’s name stands plain or in double quotes: ${typed.replace(/\[([^\][]*)\]/g, (_, name: string) => writtenName(name))}.`;
  if (typed.includes('^')) return 'Write power(a, b) for a to the power of b.';
  if (typed.includes('%')) return 'Write mod(a, b) for what is left of a after parting it by b; a percentage stands behind a number: 20%.';
  if (typed.includes('==')) return 'Write = for the same.';
  if (typed.includes('!=')) return 'Write <> for not the same.';
  if (typed.includes('&&')) return 'Write and for both.';
  return 'Write it like Fare * 2 + 1, sum(Fare, Bicycle) or "Days left" < 3 and State = \'open\'.';
}

/** Reads what a tree of the grammar means; throws an error that says what means nothing. */
class Reading {
  readonly columns = new Set<number>();
  isWhole = false;
  unknown: { readonly name: string; readonly isQuoted: boolean } | undefined;
  private readonly byName = new Map<string, number>();

  constructor(names: readonly string[]) {
    names.forEach((name, column) => {
      if (!this.byName.has(sameName(name))) this.byName.set(sameName(name), column);
    });
  }

  private wrong(what: string): never {
    throw new SyntaxError(what);
  }

  private column(node: Expression): number {
    const name = word(node['name']);
    const column = this.byName.get(sameName(name));
    if (column === undefined) this.unknown ??= { name, isQuoted: node.type === 'Quoted' };
    else this.columns.add(column);
    return column ?? -1;
  }

  term(node: unknown, depth = 0): Term {
    if (depth > MOST_DEPTH) return this.wrong('It is nested too deeply.');
    if (!isNode(node)) return this.wrong('Something is missing.');
    const at = (each: unknown): Term => this.term(each, depth + 1);
    switch (node.type) {
      case 'Literal': {
        const { value } = node;
        return typeof value === 'number' ? { kind: 'number', value } : { kind: 'text', value: word(value) };
      }
      case 'Quoted':
        return { kind: 'column', column: this.column(node) };
      case 'Identifier':
        return this.plain(node);
      case 'UnaryExpression':
        return node['operator'] === '-' ? { kind: 'sign', of: at(node['argument']) } : at(node['argument']);
      case 'BinaryExpression':
        return this.between(node, at);
      case 'CallExpression':
        return this.call(node, at);
      case 'Nothing':
        return this.wrong('“not” stands where it says nothing; put what it is about in brackets');
      default:
        return this.wrong('It is not one formula.');
    }
  }

  private plain(node: Expression): Term {
    const name = word(node['name']).toLowerCase();
    if (name === 'true' || name === 'false') return { kind: 'truth', value: name === 'true' };
    if (name === 'null') return { kind: 'truth', value: null };
    return { kind: 'column', column: this.column(node) };
  }

  private between(node: Expression, at: (each: unknown) => Term): Term {
    const operator = word(node['operator']).toLowerCase();
    const { left, right } = node;
    if (operator === 'not') {
      if (isNothingThere(left)) return { kind: 'not', of: at(right) };
      // `x is not null` comes as (x is …) not null.
      const isNot =
        isNode(left) && left.type === 'BinaryExpression' && word(left['operator']).toLowerCase() === 'is' && isNothingThere(left['right']);
      return isNot ? { kind: 'not', of: this.isNull(left['left'], right, at) } : this.wrong('“not” stands before what it is about.');
    }
    if (operator === 'is') return this.isNull(left, right, at);
    if (operator === 'and' || operator === 'or') return { kind: operator, left: at(left), right: at(right) };
    const by = comparisons.find((each) => each === operator);
    if (by) return { kind: 'compare', by, left: at(left), right: at(right) };
    const kind = sums.get(operator);
    return kind ? { kind, left: at(left), right: at(right) } : this.wrong(`There is no sign “${operator === OLD_POWER ? '^' : '%'}”.`);
  }

  private isNull(left: unknown, right: unknown, at: (each: unknown) => Term): Term {
    const isNull = isNode(right) && right.type === 'Identifier' && word(right['name']).toLowerCase() === 'null';
    return isNull ? { kind: 'is-null', of: at(left) } : this.wrong('Behind “is” stands null or not null.');
  }

  private call(node: Expression, at: (each: unknown) => Term): Term {
    const callee = node['callee'] as Expression;
    const name = callee.type === 'Identifier' ? word(callee['name']).toLowerCase() : '';
    const given = node['arguments'] as readonly Expression[];
    const ofRow = formulaFunctions.find((each) => each === name);
    if (ofRow) {
      const wanted = takes.get(ofRow);
      if (wanted === undefined ? given.length === 0 : given.length !== wanted)
        return this.wrong(
          wanted === undefined ? `${name}() needs something in its brackets.` : `${name}() takes ${wanted === 1 ? 'one value' : `${wanted} values`}.`,
        );
      return { kind: 'call', name: ofRow, terms: given.map(at) };
    }
    const ofColumn = wholeFunctions.find((each) => each === name);
    if (!ofColumn) return this.wrong(`There is no function “${name}”. There are ${[...formulaFunctions, ...wholeFunctions].join(', ')}.`);
    const [one] = given;
    if (given.length !== 1 || !one || (one.type !== 'Identifier' && one.type !== 'Quoted'))
      return this.wrong(`${name}() takes one column: ${name}(Fare).`);
    this.isWhole = true;
    return { kind: 'whole', name: ofColumn, column: this.column(one) };
  }
}

/**
 * Reads a formula over columns by name: `"Adult fare" * 2 - Child`. The syntax is SQL's (see `grammar.ts`). Numbers have a
 * decimal point; a text that meets a column of dates, times, durations or amounts is read as one of these.
 */
export function readFormula(typed: string, names: readonly string[]): Outcome<Formula> {
  const refuse = (say: string, remedy: string): Outcome<Formula> => bad({ code: 'formula', say, remedy });
  if (typed.trim() === '') return refuse('There is nothing to work out.', 'Write a formula such as Fare * 2.');
  const reading = new Reading(names);
  try {
    const term = reading.term(parsed(typed));
    const { unknown, columns, isWhole } = reading;
    if (!unknown) return good({ term, columns: [...columns], isWhole });
    const all = `The columns are ${names.slice(0, 12).map(writtenName).join(', ')}.`;
    const asText = unknown.isQuoted ? ` A text stands in single quotes: '${unknown.name.slice(0, 60).replaceAll("'", "''")}'.` : '';
    return refuse(`There is no column “${unknown.name.slice(0, 60)}”.`, `${all}${asText}`);
  } catch (error) {
    return refuse(`The formula cannot be read: ${whatIsWrong(error)}`, remedyFor(typed));
  }
}
