import { parseColour, toHex } from '../../colour';
import { placementCss, readSpace, within, type Block } from '../../page';
import { paragraphsOf, type Cell } from '../../table';
import { cellNodes } from '../markup/cell-html';
import { element, type MarkupNode } from '../markup/markup';
import { rule, type CssNode, type Declaration } from '../sheet/stylesheet';

/** How a block of columns, a section, a picture or room is found by the page's stylesheet: by its place on the page, from 1. */
const partId = (at: string): string => `part-${at}`;

/** Where a block stands on its page, and what stands for a placement. */
export interface BlockOptions {
  readonly placeOf: (block: Block) => string;
  readonly placement: (block: Extract<Block, { kind: 'table' }>) => readonly MarkupNode[];
}

/** A block as markup. */
export function blockNodes(block: Block, options: BlockOptions): readonly MarkupNode[] {
  const id = partId(options.placeOf(block));
  const inner = (blocks: readonly Block[]): readonly MarkupNode[] => blocks.flatMap((each) => blockNodes(each, options));
  switch (block.kind) {
    case 'heading':
      return [element(`h${block.level}`, {}, block.text)];
    case 'text':
      return paragraphs(block.text);
    case 'picture': {
      if (block.src === '') return [];
      const picture = element('img', { src: block.src, alt: block.alt, ...block.natural, loading: 'lazy' });
      return [element('figure', { id }, picture, ...(block.caption === '' ? [] : [element('figcaption', {}, block.caption)]))];
    }
    case 'spacer':
      return [element('div', { id })];
    case 'columns':
      return [element('div', { id, class: 'zp-columns' }, ...within(block).map((blocks) => element('div', {}, ...inner(blocks))))];
    case 'section':
      return [element('section', { id }, ...inner(block.blocks))];
    case 'table':
      return options.placement(block);
  }
}

const paragraphs = (text: Cell): readonly MarkupNode[] => paragraphsOf(text).map((each) => element('p', {}, ...cellNodes(each)));

/** Columns stand side by side as long as each has so much room. */
const COLUMN = '14rem';
const colourOf = (property: string, text: string): readonly Declaration[] => {
  const colour = parseColour(text);
  return colour ? [[property, toHex(colour)]] : [];
};

/** The rules of a block and of what stands in it, but for placements. */
export function blockRules(block: Block, { placeOf }: Pick<BlockOptions, 'placeOf'>): readonly CssNode[] {
  const part = `#${partId(placeOf(block))}`;
  const inner = within(block).flatMap((blocks) => blocks.flatMap((each) => blockRules(each, { placeOf })));
  switch (block.kind) {
    case 'picture': {
      const { table } = placementCss({ ...block, room: '0' });
      return [rule(part, ['margin', '1rem 0']), rule(`${part}>img`, ['display', 'block'], ['max-width', '100%'], ['height', 'auto'], ...table)];
    }
    case 'spacer': {
      const height = readSpace(block.height);
      return [rule(part, ['height', height.ok ? height.value : '0'])];
    }
    case 'columns':
      return [
        rule(part, ['display', 'flex'], ['flex-wrap', 'wrap'], ['gap', '0 1.5rem']),
        ...block.columns.map(({ share }, i) =>
          rule(`${part}>:nth-child(${i + 1})`, ['flex', `${share} 1 ${COLUMN}`], ['min-width', `min(100%,${COLUMN})`]),
        ),
        ...inner,
      ];
    case 'section':
      return [
        rule(part, ['padding', '1rem 1.25rem'], ['margin', '1rem 0'], ...colourOf('background-color', block.fill), ...colourOf('color', block.ink)),
        ...inner,
      ];
    case 'heading':
    case 'text':
    case 'table':
      return inner;
  }
}
