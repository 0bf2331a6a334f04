import type { ThemeView } from '../../../theme';
import { contract } from '../../markup/contract';
import { exclusive } from './exclusive';
import type { Stylesheet } from '../stylesheet';

/** The widths between which a sheet holds, in px: above the one, up to the other; neither for all. */
interface Range {
  readonly above: number | undefined;
  readonly upTo: number | undefined;
}

/** One stylesheet from those of a theme's width steps, with container queries (CSS Containment 3, section 4). */
export function byWidth(view: ThemeView, sheetAt: (at: ThemeView) => Stylesheet): Stylesheet {
  const steps = view.steps.filter(({ differs }) => differs);
  if (steps.length === 0) return sheetAt(view);
  const sheets = [sheetAt(view), ...steps.map(({ name }) => sheetAt(view.at(name)))];
  const ranges = sheets.map((_, i): Range => ({ above: steps[i]?.width, upTo: steps[i - 1]?.width }));
  return exclusive(
    sheets,
    (members, rules) => {
      const query = queryOf({ above: ranges[members.at(-1) ?? 0]?.above, upTo: ranges[members[0] ?? 0]?.upTo });
      return [{ kind: 'container', query: `${contract.container} ${query}`, rules }];
    },
    true,
  );
}

function queryOf({ above, upTo }: Range): string {
  if (above === undefined) return `(width<=${upTo}px)`;
  return upTo === undefined ? `(width>${above}px)` : `(${above}px<width<=${upTo}px)`;
}
