import { everyBlock } from './blocks/blocks';
import { textOf } from '../table';
import { blockName, type Block } from './blocks/kinds';
import type { Page } from './page';

const kindOf = ({ kind }: Block): string => blockName(kind).toLowerCase();

/** A block by its kind and the words that stand in it. */
export function blockInWords(block: Block): string {
  const words = block.kind === 'heading' ? block.text : block.kind === 'text' ? textOf(block.text).slice(0, 40) : '';
  return `The ${kindOf(block)}${words === '' ? '' : ` “${words}”`}`;
}

/** What is called by what it shows: a heading's words, a table's name. */
export type NameOf = (block: Block) => string;

/** What is different in one page from another, in words, in the order of the page. */
export function pageChanges(from: Page, to: Page, nameOf: NameOf): readonly string[] {
  const said: string[] = [];
  if (from.name !== to.name) said.push(`It is called “${to.name}”, not “${from.name}”.`);
  if (from.slug !== to.slug) said.push(`Its address is ${to.slug}, not ${from.slug}.`);
  if (from.title !== to.title || from.description !== to.description) said.push('Its title or description is another.');
  if (from.language !== to.language) said.push('Its language is another.');
  if (from.inMenu !== to.inMenu) said.push(to.inMenu ? 'It stands in the menu.' : 'It no longer stands in the menu.');
  if (from.scheme !== to.scheme) said.push('Its tables go with dark otherwise.');
  if (from.wide !== to.wide) said.push('Its width is another.');
  if (JSON.stringify([from.weight, from.insists]) !== JSON.stringify([to.weight, to.insists])) said.push('Its themes weigh something else.');
  const before = new Map(everyBlock(from.blocks).map((block) => [block.id, block]));
  const after = new Set(everyBlock(to.blocks).map(({ id }) => id));
  for (const block of everyBlock(to.blocks)) {
    const old = before.get(block.id);
    if (!old) said.push(`The ${kindOf(block)} “${nameOf(block)}” is new.`);
    else if (differing(old, block).length > 0) said.push(`The ${kindOf(block)} “${nameOf(block)}” has another ${listed(differing(old, block))}.`);
  }
  for (const block of everyBlock(from.blocks)) if (!after.has(block.id)) said.push(`The ${kindOf(block)} “${nameOf(block)}” is gone.`);
  const stayed = (page: Page): string =>
    everyBlock(page.blocks)
      .filter(({ id }) => before.has(id) && after.has(id))
      .map(({ id }) => id)
      .join(' ');
  if (stayed(from) !== stayed(to)) said.push('What stands on it is in another order.');
  return said;
}

const fields: Readonly<Record<string, string>> = {
  text: 'text',
  level: 'level',
  'shows id': 'table',
  'dress id': 'theme',
  'dress held': 'edition of its theme',
  'shows held': 'edition of its table',
  reach: 'reach',
  isolated: 'form',
  bare: 'caption',
  scheme: 'way with dark',
  width: 'width',
  align: 'place across',
  room: 'room around',
  roomAt: 'room around in narrower windows',
  plans: 'form of its plans',
  visitor: 'use for visitors',
  src: 'picture',
  alt: 'description',
  caption: 'caption',
  height: 'height',
  fill: 'fill',
  ink: 'ink',
};

/** A block's fields; what it is made of is told by its id and by its edition. */
function fieldsOf(block: Block): Readonly<Record<string, unknown>> {
  if (block.kind !== 'table') return { ...block };
  const { shows, dress, ...rest } = block;
  return { 'shows id': shows.id, 'dress id': dress?.id, 'dress held': dress?.held, 'shows held': shows.held, ...rest };
}

function differing(a: Block, b: Block): readonly string[] {
  const [old = {}, now = {}] = [a, b].map(fieldsOf);
  const names = [...new Set([...Object.keys(old), ...Object.keys(now)])].filter((name) => JSON.stringify(old[name]) !== JSON.stringify(now[name]));
  // What stands in a block is told by itself.
  return names.filter((name) => name !== 'blocks' && name !== 'columns').map((name) => fields[name] ?? name);
}

const listed = (names: readonly string[]): string =>
  names.length < 2 ? (names[0] ?? '') : `${names.slice(0, -1).join(', ')} and ${names[names.length - 1] ?? ''}`;
