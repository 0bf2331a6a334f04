import { emptyPage, following, heldAt, pageChanges, readAlong, readPublishing, tableRef, type Page, type TableBlock } from '.';

const dress = (id: string, held?: number): TableBlock['dress'] => ({ kind: 'themes', id, ...(held === undefined ? {} : { held }) });
const block = (id: string, theme: string, more: Partial<TableBlock> = {}): TableBlock => ({
  id,
  kind: 'table',
  shows: { kind: 'tables', id: 't' },
  dress: theme === '' ? null : dress(theme),
  width: 'fill',
  align: 'start',
  room: '0',
  visitor: null,
  ...more,
});
const page: Page = {
  ...emptyPage('Night', 'night'),
  blocks: [
    block('a', 'x'),
    block('b', 'x', { dress: dress('x', 2) }),
    block('c', ''),
    block('d', 'y', { shows: { kind: 'tables', id: 't', held: 1 } }),
  ],
};

describe('What follows a theme or a table', () => {
  const ids = (blocks: readonly TableBlock[]): readonly string[] => blocks.map(({ id }) => id);
  it('is not held, and reached ones are among it', () => {
    expect(ids(following(page, { kind: 'theme', id: 'x' }))).toEqual(['a']);
    expect(ids(following(page, { kind: 'theme', id: 'x' }, { kind: 'themes', id: 'x' }))).toEqual(['a', 'c']);
    expect(ids(following(page, { kind: 'table', id: 't' }))).toEqual(['a', 'b', 'c']);
  });
  it('can be held as it is, and nothing else is touched', () => {
    const held = heldAt(page, { kind: 'theme', id: 'x' }, 3, { kind: 'themes', id: 'x' });
    expect(held.blocks).toEqual([
      block('a', 'x', { dress: dress('x', 3) }),
      page.blocks[1],
      block('c', 'x', { dress: dress('x', 3) }),
      page.blocks[3],
    ] as never);
    expect(following(held, { kind: 'theme', id: 'x' })).toEqual([]);
    expect(tableRef(heldAt(page, { kind: 'table', id: 't' }, 5).blocks[0] as TableBlock)).toBe('t@5');
  });
  it('is asked about by lists that are checked', () => {
    expect(readPublishing(null)).toEqual({ ok: true, value: { hold: [] } });
    expect(readPublishing({ hold: ['p'] })).toEqual({ ok: true, value: { hold: ['p'] } });
    expect([readPublishing({ hold: [1] }).ok, readPublishing({ keep: [] }).ok, readAlong({ along: [{ kind: 'page', id: 'x' }] }).ok]).toEqual([
      false,
      false,
      false,
    ]);
    expect(readAlong({ along: [{ kind: 'table', id: 'x' }] })).toEqual({ ok: true, value: [{ kind: 'table', id: 'x' }] });
  });
});

describe('What changed on a page', () => {
  const nameOf = ({ id }: { readonly id: string }): string => id.toUpperCase();
  it('is said in words, by what each block shows', () => {
    const now: Page = {
      ...page,
      name: 'Day',
      slug: 'day',
      weight: { ids: 1, classes: 0 },
      blocks: [page.blocks[1], { ...block('a', 'y'), width: '32rem' }, page.blocks[2], { id: 'n', kind: 'text', text: 'New' }] as Page['blocks'],
    };
    expect(pageChanges(page, now, nameOf)).toEqual([
      'It is called “Day”, not “Night”.',
      'Its address is day, not night.',
      'Its themes weigh something else.',
      'The table “A” has another theme and width.',
      'The text “N” is new.',
      'The table “D” is gone.',
      'What stands on it is in another order.',
    ]);
  });
  it('is nothing where nothing did', () => expect(pageChanges(page, { ...page }, nameOf)).toEqual([]));
});
