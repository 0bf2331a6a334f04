import type { CssNode, Declaration } from 'css-tree';
import generate from 'css-tree/generator';
import { ident } from 'css-tree/utils';
import walk from 'css-tree/walker';
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

/** Properties by which a table, or what stands around it, would leave its place on the page. */
const LEAVES =
  /^(?:float|transform|translate|scale|rotate|zoom|z-index|top|right|bottom|left|inset|offset|animation|position-anchor|position-area|view-transition-name)(?:-|$)/;
/** Properties that paint around a box; how far, is measured. */
const PAINTS_AROUND = /^(?:box-shadow|outline|filter|border-image-outset)(?:-|$)/;
/** So many px, em or rem around itself may a table paint: as far as the ledger's own shadows go. Other units are as long as can be. */
const AROUND_MOST = 200;
/** What a value comes to only where it is used. */
const OPEN = /\b(?:var|env|attr|calc|min|max|clamp|if|random)\(/i;

/** The name of a property as browsers take it: escapes stand for letters (CSS Syntax 3, section 4.3.7). */
export const propertyNameOf = ({ property }: Declaration): string => {
  const name = ident.decode(property);
  return name.startsWith('--') ? name : name.toLowerCase();
};

/** Whether a declaration can stand at what it reaches, and what is to be told of it; undefined where there is nothing to tell. */
export function judgeDeclaration(declaration: Declaration, reached: Reached | undefined, swatches: ReadonlySet<string>): Verdict | undefined {
  const property = propertyNameOf(declaration);
  const value = ident.decode(generate(declaration.value).trim());
  if (!/^-{0,2}[a-z_][\w-]*$/i.test(property)) return out(`“${shown(property)}” is no name of a property.`);
  if (property.startsWith('--zp')) return out(`Names that begin with --zp are the stylesheet’s own. Give ${property} another name.`);
  const fetched = fetchedBy(declaration.value);
  if (fetched !== undefined)
    return out(`${property} is left out: “${shown(fetched)}” would be fetched from elsewhere. Bring the picture in, and name it: url("sail").`);
  if (property.startsWith('--')) return undefined;
  if (/^(?:behavior|-moz-binding)$/.test(property)) return out(`${property} runs what it names, and is left out.`);
  if (property === 'position' && !/^(?:static|relative|absolute|sticky|inherit|initial|unset|revert|revert-layer)$/i.test(value))
    return out(
      `position: ${shown(value)} is left out: it could lie over the page, wherever the table stands. Use absolute, which stays within the table.`,
    );
  if (reached !== undefined && isOutermost(reached) && leaves(property, withoutSwatches(value, swatches)))
    return out(`${property} is left out: the ${partOf(reached.part).label.toLowerCase()} would leave its place on the page.`);
  return declaration.value.type === 'Raw' ? out(`“${shown(value)}” cannot be read as a value.`) : undefined;
}

/** What stands on the page itself: a table, and what stands around it. */
const isOutermost = ({ part, below }: Reached): boolean => below === '' && ['table', 'around'].includes(partOf(part).box);

/** A swatch is a colour, whatever it comes to. */
const withoutSwatches = (value: string, swatches: ReadonlySet<string>): string =>
  value.replace(/var\(\s*--([a-z][a-z0-9-]*)\s*\)/g, (whole, name: string) => (swatches.has(name) ? 'currentcolor' : whole));

function leaves(property: string, value: string): boolean {
  if (property === 'position') return /^(?:absolute|sticky)/i.test(value);
  if (LEAVES.test(property)) return value !== 'none' && value !== 'auto';
  if (property.startsWith('margin')) return /(?:^|[\s(,])-/.test(value) || OPEN.test(value);
  return PAINTS_AROUND.test(property) && (OPEN.test(value) || lengthsIn(value).some((length) => length > AROUND_MOST));
}

const lengthsIn = (value: string): readonly number[] =>
  [...value.replace(/#[0-9a-f]+/gi, '').matchAll(/(\d*\.?\d+)(px|pt|pc|r?em|r?ex|r?ch|r?ic|r?cap|r?lh|[sdl]?v[a-z]+|cq[a-z]+|cm|mm|q|in)\b/gi)].map(
    ([, amount, unit = '']) => (['px', 'em', 'rem'].includes(unit.toLowerCase()) ? Number(amount) : Infinity),
  );

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
