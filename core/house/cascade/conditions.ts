import { generate, type CssNode } from 'css-tree';

/** What a page is seen with, as far as a house stylesheet asks for it. Lengths in px. */
export interface Seeing {
  readonly width: number;
  readonly height: number;
}

/** Whether rules within a query hold: never on a screen, perhaps, or always. */
export type Holds = 0 | 1 | 2;

const number = (text: string): number | undefined => {
  const found = /^(-?[\d.]+)(px|em|rem)?$/.exec(text.trim());
  // In media queries em and rem are of the initial font (Media Queries 4, section 1.3).
  return found ? Number(found[1]) * (found[2] === 'em' || found[2] === 'rem' ? 16 : 1) : undefined;
};

/**
 * Whether a media query holds on a screen (Media Queries 4, section 3). Widths and heights are decided where the size
 * is known; what a device can do or a person prefers stays open.
 */
export function mediaHolds(query: CssNode | null, seeing?: Seeing): Holds {
  const text = query ? generate(query).toLowerCase() : '';
  if (text.trim() === '') return 2;
  return text
    .split(',')
    .map((each) => oneHolds(each.trim(), seeing))
    .reduce<Holds>((best, each) => (each > best ? each : best), 0);
}

function oneHolds(text: string, seeing: Seeing | undefined): Holds {
  const found = /^(?:(not|only)\s+)?([a-z-]+)?\s*(?:and\s*)?(.*)$/.exec(text);
  const [, word, type = 'all', rest = ''] = found ?? [];
  const ofType: Holds = type === 'all' || type === 'screen' ? 2 : 0;
  const features = rest === '' ? [] : rest.split(/\band\b/).map((each) => featureHolds(each.trim(), seeing));
  const whole = features.reduce<Holds>((least, each) => (each < least ? each : least), ofType);
  return word === 'not' ? ((2 - whole) as Holds) : whole;
}

function featureHolds(text: string, seeing: Seeing | undefined): Holds {
  const plain = /^\(\s*(min|max)-(width|height)\s*:\s*([^)]+)\)$/.exec(text);
  if (plain) {
    const limit = number(plain[3] ?? '');
    if (limit === undefined || !seeing) return 1;
    const size = plain[2] === 'width' ? seeing.width : seeing.height;
    return (plain[1] === 'min' ? size >= limit : size <= limit) ? 2 : 0;
  }
  const range = /^\(\s*(width|height)\s*([<>]=?)\s*([^)]+)\)$/.exec(text);
  if (range) {
    const limit = number(range[3] ?? '');
    if (limit === undefined || !seeing) return 1;
    const size = range[1] === 'width' ? seeing.width : seeing.height;
    const tests: Readonly<Record<string, boolean>> = { '<': size < limit, '<=': size <= limit, '>': size > limit, '>=': size >= limit };
    return tests[range[2] ?? ''] ? 2 : 0;
  }
  return 1;
}
