import { type Observable, Subject, defer, firstValueFrom, of, throwError } from 'rxjs';
import { filter } from 'rxjs/operators';
import { ApiError, type Kept, type Kind } from './api';
import type { Draft } from './laid-by/drafts';
import { takeTheirs, threeWayMerge } from '../../../../core/edit';
import type { Happened, KeepState, Merging } from './keeping';
import { DocumentSession } from './session';

interface Doc {
  readonly name: string;
  readonly values: Readonly<Record<string, string>>;
}

/** A server with one document, which can be cut off and written to by somebody else. */
class FakeServer {
  kept: Kept<Doc> = { id: 'x', document: { name: 'a', values: {} }, revision: 1, updatedAt: '2026-01-01T00:00:00Z' };
  isUp = true;
  isDeleted = false;
  saves = 0;
  readonly happened$ = new Subject<Happened>();

  readonly save = (_id: string, revision: number, document: Doc): Observable<Kept<Doc>> =>
    defer(() => {
      if (!this.isUp) return throwError(() => new ApiError(0, 'gone'));
      if (this.isDeleted) return throwError(() => new ApiError(404, 'There is no theme with the id x.'));
      if (revision !== this.kept.revision) return throwError(() => new ApiError(412, 'stale', { current: this.kept }));
      if (document.name === '') return throwError(() => new ApiError(400, 'Give it a name.'));
      this.saves++;
      this.kept = { ...this.kept, document, revision: revision + 1 };
      return of(this.kept);
    });

  readonly fetch = (): Promise<Kept<Doc>> => (this.isDeleted ? Promise.reject(new ApiError(404, 'gone')) : Promise.resolve(this.kept));
  readonly bringBack = (): Promise<void> => {
    this.isDeleted = false;
    return Promise.resolve();
  };

  elsewhere(values: Doc['values']): void {
    this.kept = { ...this.kept, document: { ...this.kept.document, values }, revision: this.kept.revision + 1 };
  }
  /** The same, and tells of it as it tells every window. */
  tell(values: Doc['values']): void {
    this.elsewhere(values);
    this.happened$.next(this.kept.revision);
  }
  delete(): void {
    this.isDeleted = true;
    this.happened$.next('deleted');
  }
}

/** A browser that keeps drafts, or does not. */
class FakeDrafts {
  readonly kept = new Map<string, Draft>();
  isAble = true;
  readonly keep = (kind: Kind, id: string, draft: Draft): Promise<boolean> => {
    if (this.isAble) this.kept.set(`${kind} ${id}`, draft);
    return Promise.resolve(this.isAble);
  };
  readonly drop = (kind: Kind, id: string): void => void this.kept.delete(`${kind} ${id}`);
}

const merging: Merging<Doc> = { merge: threeWayMerge, take: takeTheirs, where: ({ path }) => path.join(', ') };

describe('A document being edited', () => {
  let server: FakeServer;
  let drafts: FakeDrafts;
  let notices: string[];
  let session: DocumentSession<Doc>;
  const open = (): DocumentSession<Doc> =>
    new DocumentSession<Doc>({
      save: server.save,
      fetch: server.fetch,
      bringBack: server.bringBack,
      happened$: server.happened$,
      drafts,
      kind: 'themes',
      kept: server.kept,
      merging,
      notice: (said) => void notices.push(said),
    });
  const set = (key: string, value: string): void =>
    session.act(`set ${key}`, '', (document) => ({ ...document, values: { ...document.values, [key]: value } }));
  const state = (kind: KeepState['kind']): Promise<KeepState> => firstValueFrom(session.state$.pipe(filter((each) => each.kind === kind)));

  beforeEach(() => {
    server = new FakeServer();
    drafts = new FakeDrafts();
    notices = [];
    session = open();
  });
  afterEach(() => session.close());

  it('is kept a moment after it was changed, many changes at once', async () => {
    set('one', '1');
    set('two', '2');
    await state('kept');
    expect(server.kept.document.values).toEqual({ one: '1', two: '2' });
    expect(server.saves).toBe(1);
    expect(drafts.kept.size).toBe(0);
  });

  it('keeps what is undone and done again', async () => {
    set('one', '1');
    await session.flush();
    session.undo();
    await session.flush();
    expect(server.kept.document.values).toEqual({});
    session.redo();
    await session.flush();
    expect(server.kept.document.values).toEqual({ one: '1' });
  });

  it('waits for a server that is gone, with a draft in the window, and sends it when the server is back', async () => {
    server.isUp = false;
    set('one', '1');
    expect(await session.flush()).toBeFalse();
    expect(session.state.kind).toBe('waiting');
    expect(drafts.kept.size).toBe(1);
    server.isUp = true;
    await state('kept');
    expect(server.kept.document.values).toEqual({ one: '1' });
    expect(drafts.kept.size).toBe(0);
  });

  it('says that nothing is kept for as long as the server is gone, at each change too', async () => {
    server.isUp = false;
    set('one', '1');
    await session.flush();
    const states: string[] = [];
    session.state$.subscribe(({ kind }) => states.push(kind));
    set('two', '2');
    await session.flush();
    expect(new Set(states)).toEqual(new Set(['waiting']));
  });

  it('says where this browser cannot lay the changes by', async () => {
    drafts.isAble = false;
    server.isUp = false;
    set('one', '1');
    await session.flush();
    expect((session.state as { say: string }).say).toMatch(/leave this window open/);
    drafts.isAble = true;
    set('two', '2');
    await session.flush();
    expect((session.state as { say: string }).say).toMatch(/safe in this browser/);
  });

  it('takes up what a window left behind, beside what came in meanwhile', async () => {
    const base = server.kept.document;
    server.elsewhere({ two: 'theirs' });
    session.close();
    session = open();
    expect(session.takeUp({ base, document: { ...base, values: { one: '1' } } })).toBeTrue();
    await state('kept');
    expect(server.kept.document.values).toEqual({ one: '1', two: 'theirs' });
    session.undo();
    expect(session.document.values).toEqual({ two: 'theirs' });
  });

  it('asks where what was left behind and what came in meanwhile are one place', () => {
    const base = server.kept.document;
    server.elsewhere({ one: 'theirs' });
    session.close();
    session = open();
    session.takeUp({ base, document: { ...base, values: { one: 'mine' } } });
    const { state: now } = session;
    if (now.kind !== 'conflict' || !now.conflicts[0]) throw new Error('There should be a conflict');
    const { mine, theirs } = session.sidesOf(now.conflicts[0]);
    expect([mine.values, theirs.values]).toEqual([{ one: 'mine' }, { one: 'theirs' }]);
  });

  it('leaves alone what was left behind and had been kept', () => {
    expect(session.takeUp({ base: { name: 'a', values: { one: 'old' } }, document: server.kept.document })).toBeFalse();
    expect(session.state.kind).toBe('kept');
  });

  it('follows what another window keeps, without a step to undo', async () => {
    server.tell({ two: 'theirs' });
    await firstValueFrom(session.document$.pipe(filter(({ values }) => values['two'] === 'theirs')));
    await state('kept');
    expect([session.isDirty, session.seen, notices.length]).toEqual([false, 2, 0]);
    expect(await firstValueFrom(session.undoLabel$)).toBeUndefined();
  });

  it('takes back its own step and leaves what came from the other window', async () => {
    set('one', '1');
    await session.flush();
    server.tell({ one: '1', two: 'theirs' });
    await firstValueFrom(session.document$.pipe(filter(({ values }) => values['two'] === 'theirs')));
    session.undo();
    await session.flush();
    expect(server.kept.document.values).toEqual({ two: 'theirs' });
    session.redo();
    await session.flush();
    expect(server.kept.document.values).toEqual({ one: '1', two: 'theirs' });
  });

  it('says that there is nothing to take back where the other window has the newer word', async () => {
    set('one', '1');
    await session.flush();
    server.tell({ one: 'theirs' });
    await firstValueFrom(session.document$.pipe(filter(({ values }) => values['one'] === 'theirs')));
    session.undo();
    expect(session.document.values).toEqual({ one: 'theirs' });
    expect(notices).toEqual(['Another window has changed that since. It stays as it is there.']);
  });

  it('is brought back after another window deleted it, with what was done here', async () => {
    server.delete();
    expect(session.state).toEqual({ kind: 'gone', say: '“a” was deleted in another window.' });
    set('one', '1');
    expect(await session.flush()).toBeFalse();
    expect([session.state.kind, drafts.kept.size]).toEqual(['gone', 1]);
    await session.bringBack();
    await state('kept');
    expect(server.kept.document.values).toEqual({ one: '1' });
  });

  it('finds out at the next save that it was deleted', async () => {
    server.isDeleted = true;
    set('one', '1');
    await session.flush();
    expect(session.state.kind).toBe('gone');
  });

  it('takes in another window’s changes beside its own, and says so', async () => {
    server.elsewhere({ two: 'theirs' });
    set('one', 'mine');
    await session.flush();
    expect(server.kept.document.values).toEqual({ one: 'mine', two: 'theirs' });
    expect(session.document.values).toEqual({ one: 'mine', two: 'theirs' });
    expect(notices.length).toBe(1);
  });

  for (const [side, value] of [
    ['mine', 'mine'],
    ['theirs', 'theirs'],
  ] as const) {
    it(`puts one place that both changed to the person, who keeps ${side}`, async () => {
      server.elsewhere({ one: 'theirs', two: 'also' });
      set('one', 'mine');
      await session.flush();
      const conflict = session.state;
      if (conflict.kind !== 'conflict') throw new Error('There should be a conflict');
      expect(conflict.conflicts).toEqual([{ path: ['values', 'one'], mine: 'mine', theirs: 'theirs' }]);
      expect(server.kept.document.values).toEqual({ one: 'theirs', two: 'also' });
      session.settle(side === 'theirs' ? conflict.conflicts : []);
      await state('kept');
      expect(server.kept.document.values).toEqual({ one: value, two: 'also' });
      session.undo();
      expect(session.document.values).toEqual({ one: 'theirs', two: 'also' });
    });
  }

  it('says what the server refuses, and goes on when it is mended', async () => {
    session.act('rename', 'name', (document) => ({ ...document, name: '' }));
    await session.flush();
    expect(session.state).toEqual({ kind: 'refused', say: 'Not kept: Give it a name.' });
    session.act('rename', 'other', (document) => ({ ...document, name: 'b' }));
    await session.flush();
    expect(server.kept.document.name).toBe('b');
  });

  it('has nothing to send when a change is taken back before it was sent', async () => {
    set('one', '1');
    session.undo();
    expect(session.isDirty).toBeFalse();
    expect(await session.flush()).toBeTrue();
    expect(server.saves).toBe(0);
  });
});
