import { valuesAt, type Place, type Theme } from '../../theme';
import { dequal } from 'dequal/lite';
import { takeTheirs, threeWayMerge, type Conflict, type Merged } from './merge';

/** Values of places: by part, then by condition, then by property. */
type Places = Readonly<Record<string, Readonly<Record<string, Readonly<Record<string, unknown>>>>>>;
type Sides = readonly [Theme, Theme, Theme];

/** The same values, with an empty place wherever any of the sides has one: a place without values is as one that is not there. */
function withPlaces(values: Places, all: readonly Places[]): Places {
  const parts = [...new Set(all.flatMap((each) => Object.keys(each)))];
  return Object.fromEntries(
    parts.map((part) => {
      const conditions = [...new Set(all.flatMap((each) => Object.keys(each[part] ?? {})))];
      return [part, Object.fromEntries(conditions.map((condition) => [condition, values[part]?.[condition] ?? {}]))];
    }),
  );
}

function withoutEmpty(values: Places): Places {
  const filled = <T extends object>(record: Readonly<Record<string, T>>): readonly (readonly [string, T])[] =>
    Object.entries(record).filter(([, inner]) => Object.keys(inner).length > 0);
  return Object.fromEntries(
    filled(Object.fromEntries(Object.entries(values).map(([part, conditions]) => [part, Object.fromEntries(filled(conditions))]))),
  );
}

/** Every list of values that a theme has, its own and those of its width steps, through a function. */
function mapValues(theme: Theme, change: (values: Places, where: Pick<Place, 'step' | 'mode'>) => Places): Theme {
  return {
    ...theme,
    values: change(theme.values, {}),
    ...(theme.widths ? { widths: theme.widths.map((step) => ({ ...step, values: change(step.values, { step: step.name }) })) } : {}),
    ...(theme.modes ? { modes: theme.modes.map((mode) => ({ ...mode, values: change(mode.values, { mode: mode.name }) })) } : {}),
  };
}

const tidy = (theme: Theme): Theme => mapValues(theme, withoutEmpty);

/**
 * What two windows did to one theme since they last agreed, value by value: a place that one emptied while the other set something
 * else in it has what the other set.
 */
export function mergeThemes(base: Theme, mine: Theme, theirs: Theme): Merged<Theme> {
  const all: Sides = [base, mine, theirs];
  const placed = (theme: Theme): Theme =>
    mapValues(theme, (values, where) =>
      withPlaces(
        values,
        all.map((side) => valuesAt(side, where)),
      ),
    );
  const { value, conflicts } = threeWayMerge(placed(base), placed(mine), placed({ ...theirs, base: groundOf(base, mine, theirs) }));
  const isOpen = !dequal(mine.base, theirs.base) && !dequal(base.base, mine.base) && !dequal(base.base, theirs.base);
  const grounds: readonly Conflict[] = isOpen ? [{ path: ['base'], mine: mine.base, theirs: theirs.base }] : [];
  return { value: tidy(value), conflicts: [...grounds, ...conflicts] };
}

/** What a theme grows from is one thing, a starter in a version or a theme: of two no third is made. Their side of it, or mine where both changed it. */
const groundOf = (base: Theme, mine: Theme, theirs: Theme): Theme['base'] => (dequal(base.base, mine.base) ? theirs.base : mine.base);

/** A theme with the other side's value at the place of a conflict. */
export const takeTheirTheme = (theme: Theme, conflict: Conflict): Theme => tidy(takeTheirs(theme, conflict));
