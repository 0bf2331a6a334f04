import { TestBed } from '@angular/core/testing';
import { deleteDB } from 'idb';
import { Drafts, type Draft } from './drafts';
import { ThisWindow } from './this-window';

/** A window of this browser: its own name, and the others that are open with it. */
class FakeWindow {
  static readonly all = new Set<string>();
  readonly name = crypto.randomUUID();
  constructor() {
    FakeWindow.all.add(this.name);
  }
  readonly open = (): Promise<ReadonlySet<string>> => Promise.resolve(FakeWindow.all);
}

describe('Drafts in this browser', () => {
  const draft: Draft = { revision: 3, name: 'Low Sound', base: { name: 'Low Sound' }, document: { name: 'Low Sound', more: 'new' } };
  const window = (): { readonly drafts: Drafts; readonly close: () => void } => {
    const made = new FakeWindow();
    TestBed.resetTestingModule();
    TestBed.configureTestingModule({ providers: [{ provide: ThisWindow, useValue: made }] });
    return { drafts: TestBed.inject(Drafts), close: () => void FakeWindow.all.delete(made.name) };
  };

  beforeEach(async () => {
    FakeWindow.all.clear();
    await deleteDB('zest-pane');
  });

  it('outlive their window, with what they began from, and are found by another', async () => {
    const first = window();
    expect(await first.drafts.keep('themes', 'low-sound', draft)).toBeTrue();
    const second = window();
    expect(await second.drafts.left())
      .withContext('while their window is open')
      .toEqual([]);
    first.close();
    expect(await second.drafts.left()).toEqual([jasmine.objectContaining({ ...draft, kind: 'themes', id: 'low-sound' })]);
  });

  it('are taken up once', async () => {
    const first = window();
    await first.drafts.keep('themes', 'low-sound', draft);
    first.close();
    const [second, third] = [window(), window()];
    const [found] = await second.drafts.left();
    if (!found) throw new Error('There should be one');
    expect([await second.drafts.claim(found), await third.drafts.claim(found)]).toEqual([true, false]);
    expect(await third.drafts.left()).toEqual([]);
  });

  it('have what was laid by last, and are gone when it is kept', async () => {
    const { drafts, close } = window();
    const written = [1, 2, 3].map((revision) => drafts.keep('tables', 't', { revision, name: 'Fares', change: { rows: [] } }));
    expect(await Promise.all(written)).toEqual([true, true, true]);
    expect((await drafts.left()).map(({ revision }) => revision)).toEqual([3]);
    drafts.drop('tables', 't');
    await drafts.keep('tables', 'other', { revision: 1, name: 'Other' });
    close();
    expect((await window().drafts.left()).map(({ id }) => id)).toEqual(['other']);
  });

  it('of an earlier version, in one window’s own storage, are moved here', async () => {
    sessionStorage.setItem('zest-draft/themes/harbour', JSON.stringify({ base: { name: 'a' }, revision: 2, document: { name: 'b' } }));
    const { drafts } = window();
    expect(await drafts.left()).toEqual([jasmine.objectContaining({ kind: 'themes', id: 'harbour', name: 'b', revision: 2 })]);
    expect(sessionStorage.getItem('zest-draft/themes/harbour')).toBeNull();
  });
});

describe('This window', () => {
  it('is among those that are open for as long as it is', async () => {
    const one = TestBed.inject(ThisWindow);
    expect((await one.open()).has(one.name)).toBeTrue();
    const { held = [] } = await navigator.locks.query();
    expect(held.some(({ name }) => name?.endsWith(one.name))).toBeTrue();
  });
});
