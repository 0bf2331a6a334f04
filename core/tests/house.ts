import type { Dice } from './random';

const colours = ['#123456', '#fedcba', 'teal', 'rgb(20 40 60 / 50%)', 'rebeccapurple', 'transparent'];
const lengths = ['0', '3px', '7px', '11px', '.5em', '1rem'];
const lines = ['none', '1px solid #abcdef', '3px dashed #135', '2px dotted teal'];

/** Properties that old stylesheets say something of for tables, each with a value. */
const declarations: readonly ((d: Dice) => string)[] = [
  (d) => `color:${d.pick(colours)}`,
  (d) => `background:${d.pick(colours)}`,
  (d) => `background-color:${d.pick(colours)}`,
  (d) => `background:linear-gradient(${d.pick(colours)} 0 0)`,
  (d) => `padding:${d.pick(lengths)} ${d.pick(lengths)}`,
  (d) => `padding-${d.pick(['left', 'top', 'inline-end', 'block'])}:${d.pick(lengths)}`,
  (d) => `border:${d.pick(lines)}`,
  (d) => `border-${d.pick(['top', 'left', 'bottom', 'block-end', 'inline-start'])}:${d.pick(lines)}`,
  (d) => `border-${d.pick(['width', 'color', 'style'])}:${d.pick(['inherit', 'initial', 'unset'])}`,
  (d) => `font-size:${d.pick(['11px', '90%', '1.2em', 'small'])}`,
  (d) => `font:${d.pick(['italic 13px/1.2 serif', 'inherit', 'bold 1em monospace'])}`,
  (d) => `font-weight:${d.pick(['bold', '300', 'inherit'])}`,
  (d) => `line-height:${d.pick(['1', '2.2', '20px'])}`,
  (d) => `letter-spacing:${d.pick(['1px', '.1em', 'normal'])}`,
  (d) => `text-align:${d.pick(['left', 'center', 'end'])}`,
  (d) => `text-transform:${d.pick(['uppercase', 'none'])}`,
  (d) => `text-decoration:${d.pick(['none', 'underline', 'line-through'])}`,
  (d) => `vertical-align:${d.pick(['top', 'baseline', 'bottom'])}`,
  (d) => `white-space:${d.pick(['nowrap', 'normal'])}`,
  (d) => `margin:${d.pick(lengths)}`,
  (d) => `width:${d.pick(['auto', '100%', '240px'])}`,
  (d) => `border-collapse:${d.pick(['collapse', 'separate'])}`,
  (d) => `border-spacing:${d.pick(['4px', '0'])}`,
  (d) => `border-radius:${d.pick(['4px', '0'])}`,
  (d) => `box-shadow:${d.pick(['none', '0 0 3px #333'])}`,
  (d) => `caption-side:${d.pick(['top', 'bottom'])}`,
  (d) => `opacity:${d.pick(['.5', '1'])}`,
  (d) => `display:${d.pick(['block', 'inline', 'revert'])}`,
  // What no browser takes is nothing.
  (d) => d.pick(['color:bananas', '*padding:9px', 'filter:alpha(opacity=50)', 'padding:1px inherit', '_height:1%']),
];

const tests = [
  '',
  '',
  '',
  ':first-child',
  ':last-child',
  ':nth-child(2n)',
  ':nth-child(3n+1)',
  ':nth-last-child(2)',
  ':first-of-type',
  ':only-child',
  ':not(:first-child)',
  ':not([class])',
  '[scope]',
  '[scope=ROW]',
  '[class*=zp]',
  ':is(td,th)',
  ':where(td,tr,table)',
  ':has(a)',
  ':has(> strong)',
  ':has(+ td)',
  ':empty',
  ':nth-child(2 of td)',
];
const tags = ['table', 'table', 'td', 'td', 'th', 'tr', 'tbody', 'thead', 'tfoot', 'caption', 'a', 'strong', 'div', 'p', '*', '*'];
const before = [
  '',
  '',
  '',
  'body ',
  '#content ',
  '.entry ',
  '#content .entry ',
  'div > ',
  'table ',
  'table tr ',
  'thead tr ',
  'tr + tr ',
  'td ~ ',
  'main#content div ',
  'html ',
];

const many = <T>(d: Dice, least: number, most: number, make: () => T): readonly T[] => Array.from({ length: d.whole(least, most) }, make);
const compound = (d: Dice): string => `${d.pick(tags)}${d.pick(tests)}`;
function selector(d: Dice): string {
  const chain = `${d.pick(before)}${compound(d)}`;
  return d.chance(0.15) ? `${chain}::${d.pick(['before', 'after'])}` : d.chance(0.2) ? `${chain} ${compound(d)}` : chain;
}

/** A stylesheet as old sites have them, with what is hard about them: weights, importance, layers, queries, nesting, mistakes. */
export function randomHouse(d: Dice, { important = 0.1, layers = true }: { readonly important?: number; readonly layers?: boolean } = {}): string {
  const block = (): string => many(d, 1, 4, () => `${d.pick(declarations)(d)}${d.chance(important) ? '!important' : ''}`).join(';');
  const rule = (): string => {
    const list = many(d, 1, 3, () => selector(d)).join(', ');
    if (d.chance(0.03)) return `${list} { all: ${d.pick(['unset', 'revert', 'initial'])}${d.chance(important) ? ' !important' : ''} }`;
    if (d.chance(0.08)) return `${d.pick(['table', '.entry', '#content', 'tr'])} { ${block()}; & ${compound(d)} { ${block()} } }`;
    return `${list} { ${block()} }`;
  };
  return many(d, 6, 14, () => {
    if (d.chance(0.1))
      return `@media ${d.pick(['screen', 'print', '(min-width: 500px)', '(max-width: 500px)', 'screen and (min-width: 90em)'])} { ${rule()} }`;
    if (layers && d.chance(0.08)) return `@layer ${d.pick(['base', 'site'])} { ${rule()} }`;
    return rule();
  }).join('\n');
}
