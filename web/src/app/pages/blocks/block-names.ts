import type { Block } from '../../../../../core/page';
import { textOf } from '../../../../../core/table';
import type { KeptTable } from '../../documents/api';

/** What a block shows, short enough for a list. */
export function titleOf(block: Block, tables: readonly KeptTable[]): string {
  switch (block.kind) {
    case 'table':
      return tables.find(({ id }) => id === block.shows.id)?.document.name ?? 'A table that is gone';
    case 'heading':
    case 'text':
      return textOf(block.text).trim().replace(/\s+/g, ' ').slice(0, 60) || `Empty ${block.kind}`;
    case 'picture':
      return block.caption || block.alt || 'A picture';
    case 'spacer':
      return block.height;
    case 'columns':
      return block.columns.map(({ share }) => share).join(' : ');
    case 'section':
      return block.fill || 'no fill';
  }
}
