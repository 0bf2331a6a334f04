import { hasGround, placementCss, readBlockLine, readRoom, readSpace, readWidth, within, type Block, type Ground } from '../../page';
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
      return hasGround(block) ? [element('div', { id }, ...paragraphs(block.text))] : paragraphs(block.text);
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
/** What a colour of a block comes to: one of CSS, or a swatch of a theme that is on the page; undefined for one that is not there. */
export type ColourOf = (text: string) => string | undefined;

/** What a block has about it: colours, room inside, a width in the middle of the page, corners and a line. */
function groundOf(block: Ground, colourOf: ColourOf, usual: { readonly padding: string; readonly margin: string }): readonly Declaration[] {
  const said = (name: keyof Ground): string => block[name] ?? '';
  const colour = (property: string, text: string): readonly Declaration[] => {
    const css = text === '' ? undefined : colourOf(text);
    return css === undefined ? [] : [[property, css]];
  };
  const padding = said('padding') === '' ? undefined : readRoom(said('padding'));
  const width = said('width') === '' ? undefined : readWidth(said('width'));
  const radius = said('radius') === '' ? undefined : readSpace(said('radius'));
  const line = said('line') === '' ? undefined : readBlockLine(said('line'));
  const lineColour = line?.ok ? colourOf(line.value.colour) : undefined;
  return [
    ['padding', padding?.ok ? padding.value.join(' ') : usual.padding],
    ['margin', usual.margin],
    ...(width?.ok && width.value !== '100%'
      ? ([
          ['box-sizing', 'border-box'],
          ['width', width.value === 'auto' ? 'fit-content' : width.value],
          ['max-width', '100%'],
          ['margin-inline', 'auto'],
        ] as const)
      : []),
    ...colour('background-color', said('fill')),
    ...colour('color', said('ink')),
    ...(radius?.ok ? ([['border-radius', radius.value]] as const) : []),
    ...(line?.ok && lineColour !== undefined ? ([['border', `${line.value.width} ${line.value.style} ${lineColour}`]] as const) : []),
  ];
}

/** The rules of a block and of what stands in it, but for placements. */
export function blockRules(block: Block, { placeOf, colourOf }: Pick<BlockOptions, 'placeOf'> & { readonly colourOf: ColourOf }): readonly CssNode[] {
  const part = `#${partId(placeOf(block))}`;
  const inner = within(block).flatMap((blocks) => blocks.flatMap((each) => blockRules(each, { placeOf, colourOf })));
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
      return [rule(part, ...groundOf(block, colourOf, { padding: '1rem 1.25rem', margin: '1rem 0' })), ...inner];
    case 'text':
      return hasGround(block)
        ? [
            rule(part, ...groundOf(block, colourOf, { padding: '0', margin: '1rem 0' })),
            // Its room is inside, and not once more above its first paragraph and below its last.
            rule(`${part}>:first-child`, ['margin-block-start', '0']),
            rule(`${part}>:last-child`, ['margin-block-end', '0']),
          ]
        : [];
    case 'heading':
    case 'table':
      return inner;
  }
}
