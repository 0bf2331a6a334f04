import { propertyOf, type PropertyName, type ThemeView } from '../../../../../core/theme';
import type { TableBlock } from '../../../../../core/page';

/** Words for where a table sits. */
export const SITS: Readonly<Record<'start' | 'center' | 'end', string>> = { start: 'at the start', center: 'in the center', end: 'at the end' };

/** What a theme itself says of a table's box, at every width; undefined where it says nothing. */
function saidOf(view: ThemeView | undefined, name: PropertyName): string | undefined {
  const found = view?.said({ part: 'table', condition: 'rest' }, name).find(({ read }) => read.ok);
  return found?.text === propertyOf(name).initial ? undefined : found?.text;
}

/** Which width holds where a theme asks for one: that of the placement, but where it leaves it to its content. */
export function widthHolds({ width }: Pick<TableBlock, 'width'>, view: ThemeView | undefined): string {
  const said = saidOf(view, 'width');
  if (said === undefined) return '';
  return width === 'content'
    ? `As wide as its theme has it: ${said}.`
    : `Its theme asks for ${said}; ${width} holds here. Write content to leave it to the theme.`;
}

/** Who says where a table sits, where its theme says something of it. What fills its column sits nowhere else. */
export function placeHolds({ align, width }: Pick<TableBlock, 'align' | 'width'>, view: ThemeView | undefined): string {
  const said = saidOf(view, 'sits') as keyof typeof SITS | undefined;
  if (width === 'fill' || width === 'bleed') return said === undefined ? '' : `It fills its column, so that where it sits makes no difference.`;
  if (align === 'theme') return `Its theme has it ${SITS[said ?? 'start']}.`;
  return said === undefined || said === align
    ? ''
    : `Its theme has it ${SITS[said]}; ${SITS[align]} holds here. Choose “As its theme says” to leave it to the theme.`;
}
