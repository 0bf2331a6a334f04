import jsep from 'jsep';
import { bad, good, type Outcome } from '../../outcome';

/** What a formula is made of, once its column names are known. Columns count from 0. */
export type Term =
  | { readonly kind: 'number'; readonly value: number }
  | { readonly kind: 'column'; readonly column: number }
  | { readonly kind: 'sign'; readonly of: Term }
  | { readonly kind: 'sum' | 'difference' | 'product' | 'quotient' | 'rest' | 'power'; readonly left: Term; readonly right: Term }
  | { readonly kind: 'call'; readonly name: FormulaFunction; readonly terms: readonly Term[] }
  | { readonly kind: 'whole'; readonly name: WholeFunction; readonly column: number };

/** Functions of numbers in the same row. */
export const formulaFunctions = ['sum', 'mean', 'least', 'greatest', 'round', 'abs'] as const;
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

const operators: Readonly<Record<string, 'sum' | 'difference' | 'product' | 'quotient' | 'rest' | 'power'>> = {
  '+': 'sum',
  '-': 'difference',
  '*': 'product',
  '/': 'quotient',
  '%': 'rest',
  '^': 'power',
};

const same = (text: string): string => text.trim().replace(/\s+/g, ' ').toLocaleLowerCase();

/** A formula in which a column is called otherwise. */
export function renameIn(formula: string, from: string, to: string): string {
  return formula.replace(/\[([^\][]*)\]|[\p{L}_$][\p{L}\p{N}_$]*(?!\s*\()/gu, (found, bracketed: string | undefined) =>
    same(bracketed ?? found) === same(from) ? `[${to}]` : found,
  );
}

/** Arithmetic only: a formula can ask nothing else of the language that jsep can read. */
function prepared(): typeof jsep {
  jsep.removeAllBinaryOps();
  jsep.removeAllUnaryOps();
  jsep.removeAllLiterals();
  for (const sign of ['+', '-']) jsep.addBinaryOp(sign, 9);
  for (const sign of ['*', '/', '%']) jsep.addBinaryOp(sign, 10);
  jsep.addBinaryOp('^', 11, true);
  for (const sign of ['+', '-']) jsep.addUnaryOp(sign);
  return jsep;
}
const parser = prepared();

const MOST_DEPTH = 60;
/**
 * Reads a formula over columns by name: `[Adult fare] * 2 - Child`. A name that is one word needs no brackets. Numbers have
 * a decimal point; the signs are + − × ÷ * / % and ^.
 */
export function readFormula(typed: string, names: readonly string[]): Outcome<Formula> {
  const refuse = (say: string, remedy: string): Outcome<Formula> => bad({ code: 'formula', say, remedy });
  const byName = new Map<string, number>();
  names.forEach((name, column) => {
    if (!byName.has(same(name))) byName.set(same(name), column);
  });
  const columns = new Set<number>();
  let isWhole = false;
  let unknown: string | undefined;
  // Names in brackets stand as words that no person types.
  const bracketed: string[] = [];
  const text = typed
    .replace(/\[([^\][]*)\]/g, (_, name: string) => ` col_${bracketed.push(name) - 1}_ `)
    .replace(/[−–]/g, '-')
    .replace(/×/g, '*')
    .replace(/÷/g, '/');
  if (text.trim() === '') return refuse('There is nothing to work out.', 'Write a formula such as [Fare] * 2.');
  const columnOf = (name: string): number | undefined => {
    const known = /^col_(\d+)_$/.exec(name);
    const meant = known ? (bracketed[Number(known[1])] ?? '') : name;
    const column = byName.get(same(meant));
    if (column === undefined) unknown ??= meant;
    else columns.add(column);
    return column;
  };
  const wrong = (what: string): never => {
    throw new SyntaxError(what);
  };
  const word = (value: unknown): string => (typeof value === 'string' ? value : '');
  const termOf = (node: jsep.Expression, depth = 0): Term => {
    if (depth > MOST_DEPTH) return wrong('It is nested too deeply.');
    const at = (each: unknown): Term => termOf(each as jsep.Expression, depth + 1);
    switch (node.type) {
      case 'Literal':
        return typeof node['value'] === 'number' ? { kind: 'number', value: node['value'] } : wrong(`${word(node['raw'])} is no number.`);
      case 'Identifier':
        return { kind: 'column', column: columnOf(word(node['name'])) ?? -1 };
      case 'UnaryExpression':
        return node['operator'] === '-' ? { kind: 'sign', of: at(node['argument']) } : at(node['argument']);
      case 'BinaryExpression': {
        const kind = operators[word(node['operator'])];
        return kind ? { kind, left: at(node['left']), right: at(node['right']) } : wrong(`“${word(node['operator'])}” is no sign for numbers.`);
      }
      case 'CallExpression': {
        const callee = node['callee'] as jsep.Expression;
        const name = callee.type === 'Identifier' ? word(callee['name']).toLowerCase() : '';
        const given = node['arguments'] as readonly jsep.Expression[];
        const ofRow = formulaFunctions.find((each) => each === name);
        if (ofRow)
          return given.length > 0 ? { kind: 'call', name: ofRow, terms: given.map(at) } : wrong(`${name}() needs something in its brackets.`);
        const ofColumn = wholeFunctions.find((each) => each === name);
        if (!ofColumn) return wrong(`There is no function “${name}”. There are ${[...formulaFunctions, ...wholeFunctions].join(', ')}.`);
        const [one] = given;
        if (given.length !== 1 || one?.type !== 'Identifier') return wrong(`${name}() takes one column: ${name}([Fare]).`);
        isWhole = true;
        return { kind: 'whole', name: ofColumn, column: columnOf(word(one['name'])) ?? -1 };
      }
      default:
        return wrong('It is not one piece of arithmetic.');
    }
  };
  try {
    const term = termOf(parser(text));
    if (unknown !== undefined)
      return refuse(
        `There is no column “${unknown.slice(0, 60)}”.`,
        `The columns are ${names
          .slice(0, 12)
          .map((name) => `[${name}]`)
          .join(', ')}.`,
      );
    return good({ term, columns: [...columns], isWhole });
  } catch (error) {
    const say = error instanceof Error ? error.message.replace(/ at character \d+$/, '') : '';
    return refuse(`The formula cannot be read: ${say.endsWith('.') ? say : `${say}.`}`, 'Write it like [Fare] * 2 + 1, or sum([Fare], [Bicycle]).');
  }
}
