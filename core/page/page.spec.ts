import { blockKinds, blockTitle, emptyBlock, emptyPage, placementCss, readPage, readRoom, readWidth, roomsOf, slugOf, type Page } from './index';

describe('Reading a page document', () => {
  const page: Page = {
    ...emptyPage('Night boats', 'night-boats'),
    blocks: [
      { id: 'a', kind: 'heading', level: 2, text: '' },
      {
        id: 'b',
        kind: 'table',
        shows: { kind: 'tables', id: 't' },
        dress: { kind: 'themes', id: 'h' },
        width: 'fill',
        align: 'start',
        room: '16px 0',
        visitor: null,
      },
    ],
  };
  const narrow = [{ upTo: 480, room: '8px 5%' }];
  const says = (json: unknown): string => {
    const read = readPage(json);
    return read.ok ? 'good' : read.problems.map(({ at, say }) => `${at} ${say}`).join(' | ');
  };
  it('takes a good one', () => expect(says(JSON.parse(JSON.stringify(page)))).toBe('good'));
  for (const [what, json, expected] of [
    ['an address with a slash', { ...page, slug: 'a/b' }, /lower-case letters, digits and single hyphens/],
    ['an address with capitals', { ...page, slug: 'Boats' }, /lower-case/],
    ['an unknown kind of block', { ...page, blocks: [{ id: 'x', kind: 'movie' }] }, /heading, a text, a table, a picture/],
    ['a block that is null', { ...page, blocks: [null] }, /.+/],
    ['two blocks of one id', { ...page, blocks: [page.blocks[0], page.blocks[0]] }, /same id/],
    ['a width that is none', { ...page, blocks: [{ ...page.blocks[1], width: 'huge' }] }, /“huge” is not a width/],
    ['room that is none', { ...page, blocks: [{ ...page.blocks[1], room: '7pz' }] }, /not a unit/],
    ['a side that is none', { ...page, blocks: [{ ...page.blocks[1], align: 'left' }] }, /start, the center or the end/],
    ['room at a width twice', { ...page, blocks: [{ ...page.blocks[1], roomAt: [...narrow, ...narrow] }] }, /each width once/],
    ['room that is none at a width', { ...page, blocks: [{ ...page.blocks[1], roomAt: [{ upTo: 480, room: 'wide' }] }] }, /not a length/],
    ['a heading of level 1', { ...page, blocks: [{ ...page.blocks[0], level: 1 }] }, /level is 2 or 3/],
    ['a reach that is none', { ...page, blocks: [{ ...page.blocks[1], reach: 'galaxy' }] }, /its own table, the page or the site/],
    ['a weight that is none', { ...page, weight: { ids: -1, classes: 0 } }, /no fewer than 0/],
    ['a field too many', { ...page, onload: 'x' }, /no other fields/],
  ] as const) {
    it(`says what is wrong with ${what}`, () => expect(says(json)).toMatch(expected));
  }
  it('takes a place that is left to the theme, and room in narrower windows', () => {
    const block = { ...page.blocks[1], align: 'theme', roomAt: narrow };
    const read = readPage({ ...page, blocks: [block] });
    expect(read.ok && read.value.blocks[0]).toEqual(block as never);
  });
  it('takes an address in any script', () => expect(says({ ...page, slug: 'βάρκες-νύχτας' })).toBe('good'));
});

describe('A placement', () => {
  for (const [text, css] of [
    ['content', 'auto'],
    ['Fill', '100%'],
    ['32rem', '32rem'],
    ['75%', '75%'],
  ] as const) {
    it(`reads the width ${text}`, () => expect(readWidth(text)).toEqual({ ok: true, value: css }));
  }
  for (const text of ['', '0px', '-4px', '140%', '99999px', '7pz', 'calc(1px)'])
    it(`refuses the width “${text}”`, () => expect(readWidth(text).ok).toBeFalse());
  it('reads room for one to four sides', () => {
    expect(readRoom('24px 0')).toEqual({ ok: true, value: ['24px', '0', '24px', '0'] });
    expect(readRoom('24px 5%')).toEqual({ ok: true, value: ['24px', '5%', '24px', '5%'] });
    for (const wrong of ['1px 2px 3px 4px 5px', '140%', '-5%', '5 %', '']) expect(readRoom(wrong).ok).withContext(wrong).toBeFalse();
  });
  it('sits where it is told by automatic margins', () => {
    const block = {
      id: 'a',
      kind: 'table',
      shows: { kind: 'tables', id: 't' },
      dress: { kind: 'themes', id: 'h' },
      width: 'content',
      align: 'center',
      room: '8px',
      visitor: null,
    } as const;
    expect(placementCss(block)).toEqual({
      box: [['margin', '8px 8px 8px 8px']],
      table: [
        ['margin', '0'],
        ['margin-inline', 'auto'],
      ],
    });
    expect(placementCss({ ...block, width: 'fill' }).table).toEqual([['width', '100%']]);
    const left = { ...block, align: 'theme' } as const;
    expect(placementCss(left).table).toContain(['margin-inline', '0 auto']);
    expect(placementCss(left, true).table).toEqual([['margin-block', '0']]);
  });
  it('has other room in narrower windows, the narrowest strongest', () => {
    const roomAt = [
      { upTo: 480, room: '0' },
      { upTo: 720, room: '8px 5%' },
      { upTo: 600, room: 'wide' },
    ];
    const rooms = (width: string): readonly string[] => roomsOf({ width, roomAt }).map(({ upTo, margin }) => `${upTo} ${margin.join(': ')}`);
    expect(rooms('fill')).toEqual(['720 margin: 8px 5% 8px 5%', '480 margin: 0 0 0 0']);
    // What goes from edge to edge stays there.
    expect(rooms('bleed')).toEqual(['720 margin-block: 8px 8px', '480 margin-block: 0 0']);
  });
});

describe('Addresses', () => {
  for (const [name, slug] of [
    ['Night boats!', 'night-boats'],
    ['  At — Thistle  ', 'at-thistle'],
    ['Βάρκες νύχτας', 'βάρκες-νύχτας'],
    ['???', 'page'],
  ] as const) {
    it(`come from names: ${name}`, () => {
      expect(slugOf(name)).toBe(slug);
      expect(readPage(emptyPage('x', slug)).ok).toBeTrue();
    });
  }
});

describe('What a block is called in a list', () => {
  const names = (id: string): string | undefined => (id === 't' ? 'Fares' : undefined);
  it('is what it shows, of every kind', () => {
    const kinds = blockKinds.filter((kind) => kind !== 'table');
    expect(kinds.map((kind) => blockTitle(emptyBlock(kind, 'a'), names))).toEqual([
      'Empty heading',
      'Empty text',
      'A picture',
      '2rem',
      '2 : 1',
      '#f2f0e9',
    ]);
    const table = {
      id: 'a',
      kind: 'table',
      shows: { kind: 'tables', id: 't' },
      dress: null,
      width: 'fill',
      align: 'start',
      room: '0',
      visitor: null,
    } as const;
    expect(blockTitle(table, names)).toBe('Fares');
    expect(blockTitle({ ...table, shows: { kind: 'tables', id: 'gone' } }, names)).toBe('A table that is gone');
    expect(blockTitle({ id: 'a', kind: 'text', text: { text: ' Two\n lines ', marks: [{ from: 0, to: 4, kind: 'bold' }] } }, names)).toBe(
      'Two lines',
    );
  });
});
