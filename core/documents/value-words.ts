/** So much of a value is said where two are to be told apart. */
const MOST = 240;

/** A field's name as it is said: `headerRows` and `header-rows` are `header rows`. */
export const fieldName = (name: string): string =>
  name.replace(/([a-z])([A-Z])/g, (_, before: string, after: string) => `${before} ${after.toLowerCase()}`).replace(/-/g, ' ');

/** Fields that say nothing to a person. */
const SILENT: ReadonlySet<string> = new Set(['id', 'format']);

/** A value of a document as a person reads it: a text as it is, a cell with its marks, what has fields field by field; never as code. */
export function valueInWords(value: unknown): string {
  const said = inWords(value);
  return said.length > MOST ? `${said.slice(0, MOST)}…` : said;
}

function inWords(value: unknown): string {
  if (value === undefined || value === null) return 'nothing';
  if (typeof value === 'boolean') return value ? 'yes' : 'no';
  if (typeof value === 'string') return value === '' ? 'empty' : value;
  if (Array.isArray(value)) return value.length === 0 ? 'none' : value.map(inWords).join('; ');
  if (typeof value === 'number') return String(value);
  if (typeof value !== 'object') return 'something else';
  const { text, marks, ...others } = value as Readonly<Record<string, unknown>>;
  if (typeof text === 'string' && Array.isArray(marks) && Object.keys(others).length === 0) return cellInWords(text, marks);
  const fields = Object.entries(value).filter(([name, each]) => !SILENT.has(name) && each !== undefined);
  return fields.length === 0 ? 'nothing in it' : fields.map(([name, each]) => `${fieldName(name)}: ${inWords(each)}`).join(', ');
}

interface Said {
  readonly from: number;
  readonly to: number;
  readonly kind: string;
  readonly href?: string;
}

/** A marked text: what it says, and what of it is marked how. */
function cellInWords(text: string, marks: readonly Said[]): string {
  const said = marks.map(({ from, to, kind, href }) => {
    const part = from === 0 && to === text.length ? '' : ` “${text.slice(from, to)}”`;
    return `${kind}${part}${href === undefined ? '' : kind === 'link' ? ` to ${href}` : ` ${href}`}`;
  });
  return said.length === 0 ? text : `${text} (${said.join(', ')})`;
}
