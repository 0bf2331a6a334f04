import { toHex } from '../../colour';
import { cardFill, inkOf } from '../../paint';
import { winnerAt } from '../../resolve';
import { containerOf, isReading, type Slot, type ThemeView } from '../../theme';
import { shortHash } from '../sheet/short-hash';

/** What lies behind a slot's text, the nearest first, as the stylesheet says it: so it is the same wherever the same is said. */
function behind(view: ThemeView, slot: Slot): readonly string[] {
  const container = containerOf(slot);
  return [cardFill(view, slot)?.css ?? '', ...(container ? behind(view, container) : [])];
}

/**
 * The custom property of an ink that reads where it stands. Slots with the same colour and the same behind them have one together: whatever
 * the accent is, it comes to the same there.
 */
export const readingVariable = (view: ThemeView, slot: Slot): string =>
  `--zp--reads-${shortHash([winnerAt(view, slot, 'ink').value.css, ...behind(view, slot)].join('|'))}`;

/** What each such ink comes to in a view, by its custom property. */
export const readingInks = (view: ThemeView, slots: readonly Slot[]): ReadonlyMap<string, string> =>
  new Map(
    slots
      .filter((slot) => isReading(winnerAt(view, slot, 'ink').value))
      .map((slot) => [readingVariable(view, slot), toHex(inkOf(view, slot))] as const),
  );
