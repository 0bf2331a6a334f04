import { inkFor, toHex } from '../../colour';
import { inkVariable, swatchVariable, type ThemeView } from '../../theme';
import { contract } from '../markup/contract';
import { rule, type CssNode, type Declaration, type Stylesheet } from './stylesheet';

/** The custom property of a colour in the column of a featured plan, whose accent it goes with; everywhere else in a table is the theme's. */
const own = (variable: string): string => variable.replace(/^--zp-/, '--zp--f');

/** An accent that no theme has, to see what hangs on it. */
const OTHER = '#010203';

/** What of a theme hangs on its accent: custom properties of swatches and of inks for them, with what they come to in a view. */
function hanging(view: ThemeView): ReadonlyMap<string, string> {
  const other = view.accented(view.accent === OTHER ? '#040506' : OTHER);
  const colours = view.swatches.flatMap(({ name }): readonly Declaration[] => {
    const [read, with_] = [view.colours.get(name), other.colours.get(name)];
    if (!read?.ok || !with_?.ok || toHex(read.value) === toHex(with_.value)) return [];
    return [
      [swatchVariable(name), toHex(read.value)],
      [inkVariable(name), toHex(inkFor(read.value))],
    ];
  });
  return new Map(colours);
}

const isOfPlan = (selector: string): boolean => selector.includes(`.${contract.featured}`);

/** A table's nodes, of which those for the column of a featured plan read custom properties of their own; which those are, on the table. */
export function goingAlong(view: ThemeView, key: string, nodes: Stylesheet): Stylesheet {
  const names = [...hanging(view)];
  const used = new Set<string>();
  const renamed = (value: string): string =>
    names.reduce((text, [name]) => {
      if (!text.includes(`var(${name})`)) return text;
      used.add(name);
      return text.replaceAll(`var(${name})`, `var(${own(name)})`);
    }, value);
  const each = (node: CssNode): CssNode => {
    if (node.kind !== 'rule') return { ...node, rules: node.rules.map(each) };
    if (!isOfPlan(node.selector)) return node;
    return { ...node, declarations: node.declarations.map(([css, value]): Declaration => [css, renamed(value)]) };
  };
  const all = names.length === 0 ? nodes : nodes.map(each);
  const declared = names.filter(([name]) => used.has(name)).map(([name, value]): Declaration => [own(name), value]);
  return declared.length === 0 ? nodes : [rule(`.${contract.theme(key)}`, ...declared), ...all];
}

/** What those custom properties come to with the accent of a plan, of those that a sheet reads. */
export function planAccent(view: ThemeView, accented: ThemeView, sheet: Stylesheet): readonly Declaration[] {
  const there = hanging(view);
  const isRead = (name: string, nodes: Stylesheet): boolean =>
    nodes.some((node) => (node.kind === 'rule' ? node.declarations.some(([, value]) => value.includes(`var(${name})`)) : isRead(name, node.rules)));
  return [...hanging(accented)]
    .filter(([name, value]) => there.get(name) !== value && isRead(own(name), sheet))
    .map(([name, value]): Declaration => [own(name), value]);
}
