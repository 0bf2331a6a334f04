import { containerOf, partOf, type Place, type Slot, type ThemeView, type Value } from '../theme';
import { winnerAt } from './resolve';

/** What the page around the table gives: what `page` and rem refer to. Sizes in px. */
export interface PageType {
  readonly fontSize: number;
  readonly rootSize: number;
}

export const ORDINARY_PAGE: PageType = { fontSize: 16, rootSize: 16 };

/** Font size of a slot in px. */
export function fontSize(view: ThemeView, slot: Slot, page: PageType = ORDINARY_PAGE): number {
  const { value, place } = winnerAt(view, slot, 'size');
  const container = containerOf(slot);
  const around = container ? fontSize(view, container, page) : page.fontSize;
  if (value.kind !== 'length') return around;
  return container && isHandedDown(view, slot, container, place) ? around : toPx(value, around, page);
}

/** Whether a size has been measured on what a slot stands in: what a cell or a bar hands down, and what a card has of the same place. */
function isHandedDown(view: ThemeView, { part }: Slot, container: Slot, place: Place | undefined): boolean {
  if (partOf(part).box !== 'cards') return place?.part !== part;
  const around = winnerAt(view, container, 'size').place;
  return around?.part === place?.part && around?.condition === place?.condition;
}

/** A length in px; em refers to `emSize`. Values that are no length come to 0. */
export function toPx(value: Value, emSize: number, page: PageType = ORDINARY_PAGE): number {
  if (value.kind !== 'length') return 0;
  if (value.unit === 'em') return value.amount * emSize;
  return value.unit === 'rem' ? value.amount * page.rootSize : value.amount;
}
