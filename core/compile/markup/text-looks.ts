import { marksIn, typedRows, type Cell, type Mark, type Row } from '../../table';
import { shortHash } from '../sheet/short-hash';
import { contract } from './contract';

/** What marked text has of its own beside its kind: the colour of its ink or of what lies under it, or a picture's height in px. */
export interface TextLook {
  readonly kind: 'ink' | 'highlight' | 'picture';
  readonly is: string;
}
type Said = Pick<Mark, 'kind' | 'href' | 'height'>;
function lookOf({ kind, href, height }: Said): TextLook | undefined {
  if (kind === 'picture') return height === undefined ? undefined : { kind, is: String(height) };
  return href !== undefined && (kind === 'ink' || kind === 'highlight') ? { kind, is: href } : undefined;
}

const classOf = ({ kind, is }: TextLook): string => contract.textLook(shortHash(`${kind} ${is}`));
/** The class of text that has a look of its own: the same for the same one, so that its rule stands once. */
export function textLookClass(mark: Said): string | undefined {
  const look = lookOf(mark);
  return look && classOf(look);
}
export const selectorOf = (look: TextLook): string => `:where(.${classOf(look)})`;

/** The looks that some cells have in them, each once, by class. */
export function textLooksIn(cells: Iterable<Cell | undefined>, found = new Map<string, TextLook>()): Map<string, TextLook> {
  for (const cell of cells)
    if (cell !== undefined && typeof cell !== 'string')
      for (const mark of marksIn(cell)) {
        const look = lookOf(mark);
        if (look) found.set(classOf(look), look);
      }
  return found;
}

const known = new WeakMap<readonly Row[], readonly TextLook[]>();
/** The looks in the rows of tables, each once; a list of rows is looked through once. */
export function textLooksOf(tables: readonly { readonly rows?: readonly Row[] }[]): readonly TextLook[] {
  const found = new Map<string, TextLook>();
  for (const { rows: shown } of tables) {
    if (!shown) continue;
    // What is worked out has no marks.
    const rows = typedRows(shown);
    const before = known.get(rows) ?? [...rows.reduce((all, row) => textLooksIn(row, all), new Map<string, TextLook>()).values()];
    known.set(rows, before);
    for (const look of before) found.set(classOf(look), look);
  }
  return [...found.values()];
}
