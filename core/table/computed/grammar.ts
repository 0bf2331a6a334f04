import jsep from 'jsep';

/**
 * The syntax of formulas and conditions: an expression as SQL has it (ISO/IEC 9075-2, "value expression" and "search
 * condition"), with functions of ours. Names plain or in double quotes, texts in single quotes, each doubling its own quote;
 * `+ - * / ||`, `= <> < <= > >=`, `is null`, `not`, `and`, `or` from the strongest to the weakest. A number may be a
 * percentage (`20%`). The library reads anything like it; what it may mean is decided by `formula.ts`.
 */
export type Expression = jsep.Expression;

/** A name that stood in double quotes, and a text. */
export interface QuotedName extends Expression {
  readonly type: 'Quoted';
  readonly name: string;
}
/** What stands before `not`, which the library can read between two things only. */
const NOTHING: Expression = { type: 'Nothing' };
export const isNothingThere = (node: unknown): boolean => (node as Expression | undefined)?.type === 'Nothing';

const QUOTE = 34;
const APOSTROPHE = 39;
const PER_CENT = 37;

/** The parts of the library's reader that are looked at. */
interface Reader {
  readonly code: number;
  readonly expr: string;
  index: number;
  gobbleNumericLiteral(): Expression;
  gobbleSpaces(): void;
  throwError(say: string): never;
}

/** The text between quotes from where the reader stands; a quote in it stands twice. */
function quoted(reader: Reader, mark: string, what: string): string {
  const { expr } = reader;
  let text = '';
  for (let at = reader.index + 1; ;) {
    const end = expr.indexOf(mark, at);
    if (end < 0) return reader.throwError(`The ${what} has no end`);
    text += expr.slice(at, end);
    if (expr[end + 1] !== mark) {
      reader.index = end + 1;
      return text;
    }
    text += mark;
    at = end + 2;
  }
}

/** A word in the cases in which it is read. */
const cases = (word: string): readonly string[] => [word, word.toUpperCase(), `${word.slice(0, 1).toUpperCase()}${word.slice(1)}`];
const nots = cases('not');
/** What goes on with a word, as the library has it. */
const WORD_PART = /[\w$\u0080-\uffff]/;
/** Whether `not` stands there as a word, by the very test by which the library then takes it: else it would never go on. */
const isNotAt = (text: string, at: number): boolean => nots.includes(text.slice(at, at + 3)) && !WORD_PART.test(text.charAt(at + 3));

/** Signs of older formulas, which are read so that these can be written anew. */
export const OLD_POWER = '^';
export const OLD_REMAINDER = '~';

function prepared(): typeof jsep {
  jsep.removeAllBinaryOps();
  jsep.removeAllUnaryOps();
  jsep.removeAllLiterals();
  for (const or of cases('or')) jsep.addBinaryOp(or, 1);
  for (const and of cases('and')) jsep.addBinaryOp(and, 2);
  for (const not of nots) jsep.addBinaryOp(not, 3, true);
  for (const sign of ['=', '<>', '<', '<=', '>', '>=', ...cases('is')]) jsep.addBinaryOp(sign, 4);
  jsep.addBinaryOp('||', 8);
  for (const sign of ['+', '-']) jsep.addBinaryOp(sign, 9);
  for (const sign of ['*', '/', OLD_REMAINDER]) jsep.addBinaryOp(sign, 10);
  jsep.addBinaryOp(OLD_POWER, 11, true);
  for (const sign of ['+', '-']) jsep.addUnaryOp(sign);
  jsep.hooks.add('gobble-token', function (this: unknown, found: { node?: Expression }) {
    const reader = this as Reader;
    const { code, expr, index } = reader;
    if (code === QUOTE) found.node = { type: 'Quoted', name: quoted(reader, '"', 'name in double quotes') };
    else if (code === APOSTROPHE) found.node = { type: 'Literal', value: quoted(reader, "'", 'text in single quotes') };
    else if (isNotAt(expr, index)) found.node = NOTHING;
    else if ((code >= 48 && code <= 57) || code === 46) {
      const number = reader.gobbleNumericLiteral();
      found.node = number;
      reader.gobbleSpaces();
      if (reader.code === PER_CENT) {
        reader.index += 1;
        found.node = { ...number, value: Number((Number(number['value']) / 100).toPrecision(15)) };
      }
    }
  });
  return jsep;
}
const parser = prepared();

/** Reads a text; throws an error that says what is wrong. Signs that people write for numbers (− × ÷) are read as the plain ones. */
export function parsed(typed: string): Expression {
  // The library takes a word for an operator only where something follows it.
  return parser(`${plainSigns(typed)} `);
}

/** The typed signs as the grammar has them, outside of quotes. */
const plainSigns = (typed: string): string =>
  typed.replace(/'(?:[^']|'')*'|"(?:[^"]|"")*"|[−–×÷]/g, (found) => (found === '×' ? '*' : found === '÷' ? '/' : found.length === 1 ? '-' : found));

/** The text of what went wrong, as a sentence. */
export function whatIsWrong(error: unknown): string {
  const say = error instanceof Error ? error.message.replace(/ at character \d+$/, '') : '';
  return say === '' || say.endsWith('.') ? say : `${say}.`;
}
