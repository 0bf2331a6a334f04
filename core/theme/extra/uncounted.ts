import type { Extra, ExtraRule } from './extra';

/** Properties by which text is read well or badly. */
const READING = /^(?:color|opacity|background(?:-color|-image)?|font(?:-size|-weight)?|mix-blend-mode|filter|-webkit-text-fill-color)$/;

/** What of extra CSS has a say in how well texts are read, and cannot be counted with them. */
export interface Uncounted {
  readonly line: number;
  readonly property: string;
  /** Why it is not counted, in words. */
  readonly why: string;
}

/** What has to be looked at, since contrast and the checks do not see it. */
export const uncountedIn = ({ rules, isAside }: Extra): readonly Uncounted[] =>
  rules.flatMap((rule) =>
    rule.declarations.flatMap(([property]) =>
      READING.test(property) ? [{ line: rule.line, property, why: isAside ? 'it stands beside the theme' : whyOf(rule) }] : [],
    ),
  );

function whyOf({ around, reached: { below, also, conditions } }: ExtraRule): string {
  if (around.length > 0) return `it holds under @${around[0]?.kind ?? ''} only`;
  if (below !== '') return 'it is of something inside the part';
  if (also !== '') return 'it is of some of the part’s cells only';
  return conditions.length > 1 ? 'it holds under several conditions at once' : 'its value is none that the ledger has';
}
