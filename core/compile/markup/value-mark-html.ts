import { markedValueIn, valueMarkOn, isSafeAddress, type GridCell, type Table } from '../../table';
import { valueMarkClass, wornOf } from '../rules/value-mark-rules';
import { element, textWithBreaks, type MarkupNode } from './markup';
import { contract } from './contract';

/** What stands in a cell whose value is shown as a mark; undefined where it stands there plainly. */
export function markedNodes(table: Table, cell: GridCell): readonly MarkupNode[] | undefined {
  const mark = valueMarkOn(table, cell);
  const shown = mark && markedValueIn(table, cell, mark);
  if (!shown) return undefined;
  const name = valueMarkClass(wornOf(table.dressings, mark));
  const beside = (node: MarkupNode, text: string): readonly MarkupNode[] => (text === '' ? [node] : [node, ` ${text}`]);
  switch (shown.kind) {
    case 'rating':
    case 'meter': {
      // Sizes of its own, for where the stylesheet is not.
      const bar = element(
        'svg',
        {
          class: name,
          role: 'img',
          'aria-label': shown.alt,
          width: '5em',
          height: '1em',
          viewBox: '0 0 100 1',
          preserveAspectRatio: 'none',
          'aria-hidden': shown.text === '' ? undefined : 'true',
        },
        element('rect', { width: Math.round(shown.share * 1000) / 10, height: 1 }),
      );
      return beside(bar, shown.text);
    }
    case 'status':
    case 'icon':
    case 'tag':
      return [element('span', { class: shown.which < 0 ? name : `${name} ${contract.which(shown.which)}` }, ...textWithBreaks(shown.text))];
    case 'yes-no':
      return beside(
        element('span', {
          class: shown.yes ? name : `${name} ${contract.no}`,
          role: shown.text === '' ? 'img' : undefined,
          'aria-label': shown.text === '' ? shown.alt : undefined,
        }),
        shown.text,
      );
    case 'picture':
      return [element('img', { class: name, src: shown.address, alt: shown.alt, loading: 'lazy' })];
    case 'button':
      return isSafeAddress(shown.address)
        ? [element('a', { class: `${contract.button} ${name}`, href: shown.address }, shown.text)]
        : [element('span', { class: `${contract.button} ${name}` }, shown.text)];
    case 'person': {
      const face =
        shown.address === ''
          ? element('span', { 'aria-hidden': 'true' }, shown.initials)
          : element('img', { src: shown.address, alt: '', loading: 'lazy' });
      return [element('span', { class: name }, face, shown.text)];
    }
  }
}
