import type { Block, Page } from './page';

const kinds: Readonly<Record<Block['kind'], string>> = { heading: 'heading', text: 'text', table: 'table' };

/** What is called by what it shows: a heading's words, a table's name. */
export type NameOf = (block: Block) => string;

/** What is different in one page from another, in words, in the order of the page. */
export function pageChanges(from: Page, to: Page, nameOf: NameOf): readonly string[] {
  const said: string[] = [];
  if (from.name !== to.name) said.push(`It is called “${to.name}”, not “${from.name}”.`);
  if (from.slug !== to.slug) said.push(`Its address is ${to.slug}, not ${from.slug}.`);
  if (JSON.stringify([from.weight, from.insists]) !== JSON.stringify([to.weight, to.insists])) said.push('Its themes weigh something else.');
  const before = new Map(from.blocks.map((block) => [block.id, block]));
  const after = new Set(to.blocks.map(({ id }) => id));
  for (const block of to.blocks) {
    const old = before.get(block.id);
    if (!old) said.push(`The ${kinds[block.kind]} “${nameOf(block)}” is new.`);
    else if (JSON.stringify(old) !== JSON.stringify(block))
      said.push(`The ${kinds[block.kind]} “${nameOf(block)}” has another ${listed(differing(old, block))}.`);
  }
  for (const block of from.blocks) if (!after.has(block.id)) said.push(`The ${kinds[block.kind]} “${nameOf(block)}” is gone.`);
  const stayed = (page: Page): string =>
    page.blocks
      .filter(({ id }) => before.has(id) && after.has(id))
      .map(({ id }) => id)
      .join(' ');
  if (stayed(from) !== stayed(to)) said.push('What stands on it is in another order.');
  return said;
}

const fields: Readonly<Record<string, string>> = {
  text: 'text',
  level: 'level',
  table: 'table',
  theme: 'theme',
  held: 'edition of its theme',
  heldTable: 'edition of its table',
  reach: 'reach',
  isolated: 'form',
  bare: 'caption',
  width: 'width',
  align: 'place across',
  room: 'room around',
  visitor: 'use for visitors',
};

function differing(a: Block, b: Block): readonly string[] {
  const [old, now] = [a as unknown as Record<string, unknown>, b as unknown as Record<string, unknown>];
  const names = [...new Set([...Object.keys(old), ...Object.keys(now)])].filter((name) => JSON.stringify(old[name]) !== JSON.stringify(now[name]));
  return names.map((name) => fields[name] ?? name);
}

const listed = (names: readonly string[]): string =>
  names.length < 2 ? (names[0] ?? '') : `${names.slice(0, -1).join(', ')} and ${names[names.length - 1] ?? ''}`;
