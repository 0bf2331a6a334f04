import type { Slot, Theme, Value } from '../theme';
import { resolve } from './resolve';

/** What the page around the table gives: what `page` and rem refer to. Sizes in px. */
export interface PageType {
  readonly fontSize: number;
  readonly rootSize: number;
}

export const ORDINARY_PAGE: PageType = { fontSize: 16, rootSize: 16 };

/** Font size of a slot in px. */
export function fontSize(theme: Theme, slot: Slot, page: PageType = ORDINARY_PAGE): number {
  const { value } = resolve(theme, slot, 'size');
  return value.kind === 'length' ? toPx(value, page.fontSize, page) : page.fontSize;
}

/** A length in px; em refers to `emSize`. Values that are no length come to 0. */
export function toPx(value: Value, emSize: number, page: PageType = ORDINARY_PAGE): number {
  if (value.kind !== 'length') return 0;
  if (value.unit === 'em') return value.amount * emSize;
  return value.unit === 'rem' ? value.amount * page.rootSize : value.amount;
}
