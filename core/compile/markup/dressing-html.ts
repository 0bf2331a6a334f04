import { dressedIn, dressingOn, isSafeAddress, type GridCell, type Table } from '../../table';
import { dressingClass, wornOf } from '../rules/dressing-rules';
import { element, textWithBreaks, type MarkupNode } from './markup';
import { contract } from './contract';

/** What stands in a dressed cell; undefined where it stands there plainly. */
export function dressedNodes(table: Table, cell: GridCell): readonly MarkupNode[] | undefined {
  const dressing = dressingOn(table, cell);
  const dressed = dressing && dressedIn(table, cell, dressing);
  if (!dressed) return undefined;
  const name = dressingClass(wornOf(table.dressings, dressing));
  const beside = (mark: MarkupNode, text: string): readonly MarkupNode[] => (text === '' ? [mark] : [mark, ` ${text}`]);
  switch (dressed.kind) {
    case 'rating':
    case 'meter': {
      // Sizes of its own, for where the stylesheet is not.
      const bar = element(
        'svg',
        {
          class: name,
          role: 'img',
          'aria-label': dressed.alt,
          width: '5em',
          height: '1em',
          viewBox: '0 0 100 1',
          preserveAspectRatio: 'none',
          'aria-hidden': dressed.text === '' ? undefined : 'true',
        },
        element('rect', { width: Math.round(dressed.share * 1000) / 10, height: 1 }),
      );
      return beside(bar, dressed.text);
    }
    case 'status':
    case 'icon':
    case 'tag':
      return [element('span', { class: dressed.which < 0 ? name : `${name} ${contract.which(dressed.which)}` }, ...textWithBreaks(dressed.text))];
    case 'yes-no':
      return beside(
        element('span', {
          class: dressed.yes ? name : `${name} ${contract.no}`,
          role: dressed.text === '' ? 'img' : undefined,
          'aria-label': dressed.text === '' ? dressed.alt : undefined,
        }),
        dressed.text,
      );
    case 'picture':
      return [element('img', { class: name, src: dressed.address, alt: dressed.alt, loading: 'lazy' })];
    case 'button':
      return isSafeAddress(dressed.address)
        ? [element('a', { class: `${contract.button} ${name}`, href: dressed.address }, dressed.text)]
        : [element('span', { class: `${contract.button} ${name}` }, dressed.text)];
    case 'person': {
      const face =
        dressed.address === ''
          ? element('span', { 'aria-hidden': 'true' }, dressed.initials)
          : element('img', { src: dressed.address, alt: '', loading: 'lazy' });
      return [element('span', { class: name }, face, dressed.text)];
    }
  }
}
