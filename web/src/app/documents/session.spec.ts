import { type Observable, defer, firstValueFrom, of, throwError } from 'rxjs';
import { filter } from 'rxjs/operators';
import { ApiError, type Kept, type Kind } from './api';
import { type Draft, Drafts } from './drafts';
import { takeTheirs, threeWayMerge } from '../../../../core/edit';
import { DocumentSession, type KeepState, type Merging } from './session';

interface Doc {
  readonly name: string;
  readonly values: Readonly<Record<string, string>>;
}

/** A server with one document, which can be cut off and written to by somebody else. */
class FakeServer {
  kept: Kept<Doc> = { id: 'x', document: { name: 'a', values: {} }, revision: 1, updatedAt: '2026-01-01T00:00:00Z' };
  isUp = true;
  saves = 0;

  readonly save = (_id: string, revision: number, document: Doc): Observable<Kept<Doc>> =>
    defer(() => {
      if (!this.isUp) return throwError(() => new ApiError(0, 'gone'));
      if (revision !== this.kept.revision) return throwError(() => new ApiError(412, 'stale', { current: this.kept }));
      if (document.name === '') return throwError(() => new ApiError(400, 'Give it a name.'));
      this.saves++;
      this.kept = { ...this.kept, document, revision: revision + 1 };
      return of(this.kept);
    });

  elsewhere(values: Doc['values']): void {
    this.kept = { ...this.kept, document: { ...this.kept.document, values }, revision: this.kept.revision + 1 };
  }
}

class FakeDrafts extends Drafts {
  readonly kept = new Map<string, unknown>();
  override keep<T>(kind: Kind, id: string, draft: Draft<T>): void {
    this.kept.set(`${kind} ${id}`, draft);
  }
  override find<T>(kind: Kind, id: string): Draft<T> | undefined {
    return this.kept.get(`${kind} ${id}`) as Draft<T> | undefined;
  }
  override drop(kind: Kind, id: string): void {
    this.kept.delete(`${kind} ${id}`);
  }
}

const merging: Merging<Doc> = { merge: threeWayMerge, take: takeTheirs, where: ({ path }) => path.join(', '), upgrade: (json) => json };

describe('A document being edited', () => {
  let server: FakeServer;
  let drafts: FakeDrafts;
  let notices: string[];
  let session: DocumentSession<Doc>;
  const open = (): DocumentSession<Doc> =>
    new DocumentSession<Doc>({ save: server.save, drafts, kind: 'themes', kept: server.kept, merging, notice: (said) => void notices.push(said) });
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

  it('takes up a draft that was left behind by a reload', async () => {
    server.isUp = false;
    set('one', '1');
    await session.flush();
    session.close();
    server.isUp = true;
    session = open();
    expect(session.document.values).toEqual({ one: '1' });
    await state('kept');
    expect(server.kept.document.values).toEqual({ one: '1' });
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
      expect(session.document.values).toEqual({ one: 'mine' });
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
