import { fontSize, resolve, toPx } from '../resolve';
import type { Slot, ThemeView } from '../theme';
import { rowLine } from './edges';
import { isDrawn } from './lines';

/**
 * How high one line of text makes a row, in px: its leading, the padding above and below, and the line between rows above a body row.
 * A height that was asked for counts from edge to edge (`box-sizing: border-box`), so that a row is never lower than this. Undefined
 * where the line height is the font's or the page's own, which only they know.
 */
export function lineOfText(view: ThemeView, slot: Slot): number | undefined {
  const size = fontSize(view, slot);
  const leading = resolve(view, slot, 'line-height').value;
  if (leading.kind !== 'number' && leading.kind !== 'length') return undefined;
  const px = (name: 'padding-top' | 'padding-bottom'): number => toPx(resolve(view, slot, name).value, size);
  const line = slot.part === 'body-rows' || slot.part === 'row-headers' ? rowLine(view, 'rows') : undefined;
  const drawn = line && isDrawn(line) ? line.width : 0;
  return (leading.kind === 'number' ? leading.amount * size : toPx(leading, size)) + px('padding-top') + px('padding-bottom') + drawn;
}

/** What a row comes to where that is more than the least height which a theme asks for, in px to a hundredth; else undefined. */
export function outgrown(view: ThemeView, slot: Slot): number | undefined {
  const asked = resolve(view, slot, 'row-height').value;
  if (asked.kind !== 'length') return undefined;
  const comesTo = lineOfText(view, slot);
  return comesTo !== undefined && comesTo > toPx(asked, fontSize(view, slot)) + 0.005 ? Math.round(comesTo * 100) / 100 : undefined;
}
