import type { CssNode, Declaration } from 'css-tree';
import generate from 'css-tree/generator';
import { ident } from 'css-tree/utils';
import walk from 'css-tree/walker';
import type { PartName } from '../catalogue/parts';
import { partOf } from '../catalogue/parts';
import type { Reached } from './extra';

/** What is told of a declaration: why it is left out, or what is to be known of it. */
export interface Verdict {
  readonly say: string;
  readonly isLeftOut: boolean;
}
const out = (say: string): Verdict => ({ say, isLeftOut: true });

/** Functions that name a file, some without `url()`. */
const FETCHES = new Set(['image-set', '-webkit-image-set', 'image', 'src', 'element', 'expression', 'paint']);
/** Pictures that stand in the sheet itself: as pictures they run nothing (SVG Integration, "secure animated mode"). */
const OWN_PICTURE = /^data:image\/(?:png|jpeg|gif|webp|avif|svg\+xml)[;,]/i;
/** A picture of the theme, by its name. */
const NAMED_PICTURE = /^[a-z][a-z0-9-]{0,39}$/;

/** Properties by which a table would leave its place on the page. */
const LEAVES = new Set(['position', 'float', 'transform', 'translate', 'scale', 'rotate', 'z-index', 'inset', 'top', 'right', 'bottom', 'left']);

/** Whether a declaration can stand at what it reaches, and what is to be told of it; undefined where there is nothing to tell. */
export function judgeDeclaration(declaration: Declaration, reached: Reached | undefined): Verdict | undefined {
  const property = declaration.property.toLowerCase();
  const value = generate(declaration.value).trim();
  if (property.startsWith('--zp')) return out(`Names that begin with --zp are the stylesheet’s own. Give ${declaration.property} another name.`);
  const fetched = fetchedBy(declaration.value);
  if (fetched !== undefined)
    return out(`${property} is left out: “${shown(fetched)}” would be fetched from elsewhere. Bring the picture in, and name it: url("sail").`);
  if (property.startsWith('--')) return undefined;
  if (/^(?:behavior|-moz-binding)$/.test(property)) return out(`${property} runs what it names, and is left out.`);
  if (property === 'position' && /^fixed\b/i.test(value))
    return out('position: fixed is left out: it would lie over the page, wherever the table stands. Use absolute, which stays within the table.');
  if (reached !== undefined && isOutermost(reached) && leaves(property, value))
    return out(`${property} is left out: the ${partOf(reached.part).label.toLowerCase()} would leave its place on the page.`);
  return declaration.value.type === 'Raw' ? out(`“${shown(value)}” cannot be read as a value.`) : undefined;
}

/** What stands on the page itself: a table, and what stands around it. */
const isOutermost = ({ part, below }: Reached): boolean => below === '' && (isTable(part) || partOf(part).box === 'around');
const isTable = (part: PartName): boolean => part === 'table';

const leaves = (property: string, value: string): boolean =>
  (property === 'position' ? /^(?:absolute|sticky)/i.test(value) : LEAVES.has(property)) ||
  (/^(?:margin|inset)/.test(property) && /(?:^|[\s(,])-/.test(value));

const shown = (text: string): string => (text.length > 60 ? `${text.slice(0, 60)}…` : text);

/** What a value would fetch, or undefined. Pictures that the theme has are named without an address. */
export function fetchedBy(value: CssNode): string | undefined {
  let found: string | undefined;
  walk(value, (node) => {
    if (node.type === 'Url' && !OWN_PICTURE.test(node.value) && !NAMED_PICTURE.test(node.value) && !node.value.startsWith('#')) found ??= node.value;
    else if (node.type === 'Function' && FETCHES.has(node.name.toLowerCase())) found ??= generate(node);
    else if (node.type === 'Raw' && /(?:url|image-set|src|image|element|expression|paint)\s*\(|@import/i.test(ident.decode(node.value)))
      found ??= node.value.trim();
  });
  return found;
}
