import type { Weight } from '../compile';
import { heavier, type Finding, type Judgement } from './judge';
import { holdsOut, type Stand } from './settle';
import { listed, weightInWords } from './words';

/** How a page stands against its house stylesheet, in words, and what would settle it. */
export interface Standing {
  /** Rules that still take something from tables. */
  readonly out: readonly Finding[];
  /** One sentence on all of it. */
  readonly say: string;
  /** The least that settles what a weight can settle; undefined where the page has just that. */
  readonly settles: { readonly weight: Weight; readonly insists: boolean; readonly say: string } | undefined;
  /** Whether something is left that only the isolated form settles. */
  readonly isBeyond: boolean;
}

const same = (a: Weight, b: Weight): boolean => a.ids === b.ids && a.classes === b.classes;
const plural = (count: number, one: string, many: string): string => (count === 1 ? `one ${one}` : `${count} ${many}`);

/** What a weight is called that is added to what rules weigh anyway. */
const moreInWords = ({ ids, classes }: Weight): string => (ids + classes === 0 ? 'no more than usual' : `${weightInWords([ids, classes, 0])} more`);

export function standingOf({ findings, weight: all, insists: everInsists }: Judgement, stand: Stand): Standing {
  const { weight = { ids: 0, classes: 0 }, insists = false } = stand;
  const out = findings.filter((each) => holdsOut(each, stand));
  const winnable = findings.filter(({ isBeyond }) => !isBeyond);
  const least = winnable.map((each) => each.weight).reduce(heavier, { ids: 0, classes: 0 });
  const mustInsist = winnable.some(({ isImportant }) => isImportant);
  const isBeyond = findings.some((each) => each.isBeyond);
  const isLeast = same(weight, least) && insists === mustInsist;
  const needs = listed([`weigh ${moreInWords(least)}`, ...(mustInsist ? ['insist where it says !important'] : [])]);
  const isMore = !isLeast && out.every((each) => each.isBeyond);
  return {
    out,
    say:
      out.length > 0
        ? `${plural(out.length, 'rule', 'rules')} of the house stylesheet ${out.length === 1 ? 'outweighs' : 'outweigh'} the themes on this page.`
        : findings.length === 0 && same(all, weight) && insists === everInsists
          ? 'The house stylesheet takes nothing from the tables on this page.'
          : isMore
            ? `The themes on this page weigh more than the house stylesheet asks for.`
            : `The themes on this page ${needs}, and win against the house stylesheet.`,
    settles: isLeast ? undefined : { weight: least, insists: mustInsist, say: isMore ? `Back to the least: ${needs}` : `Make them ${needs}` },
    isBeyond,
  };
}
