import { facesOf, familiesIn, fontAddress, type Face } from '../../theme';
import { rule, type CssNode } from './stylesheet';

/** One face as a rule. */
export const faceRule = ({ family, weights, file, range }: Face, address: (file: string) => string = fontAddress): CssNode =>
  rule(
    '@font-face',
    ['font-family', `"${family}"`],
    ['font-weight', weights],
    ['font-display', 'swap'],
    ['src', `url("${address(file)}") format("woff2")`],
    ['unicode-range', range],
  );

/** The faces of the shipped families that the rules name: all of them, or those whose letters stand in a text. */
export const fontRules = (nodes: readonly CssNode[], text?: string): readonly CssNode[] =>
  familiesIn(fontLists(nodes)).flatMap((family) => facesOf(family, text).map((face) => faceRule(face)));

const fontLists = (nodes: readonly CssNode[]): readonly string[] =>
  nodes.flatMap((node) =>
    node.kind !== 'rule' ? fontLists(node.rules) : node.declarations.filter(([property]) => property === 'font-family').map(([, value]) => value),
  );
