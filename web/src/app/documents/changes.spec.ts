import { TestBed } from '@angular/core/testing';
import { Subject, filter, firstValueFrom, take, toArray, type Subscription } from 'rxjs';
import { Changes, type Change } from './changes';

/** Connections to a server that is not there. */
class FakeSource {
  static readonly open = new Set<FakeSource>();
  static readonly changed = new Subject<void>();
  onopen?: () => void;
  onmessage?: (event: { readonly data: string }) => void;
  constructor() {
    FakeSource.open.add(this);
    FakeSource.changed.next();
  }
  close(): void {
    FakeSource.open.delete(this);
    FakeSource.changed.next();
  }
  static say(change: Change): void {
    for (const source of FakeSource.open) source.onmessage?.({ data: JSON.stringify(change) });
  }
}

describe('What changes at the server', () => {
  const given = globalThis.EventSource;
  const window = (): Changes => {
    TestBed.resetTestingModule();
    return TestBed.inject(Changes);
  };
  const connections = async (count: number): Promise<FakeSource> => {
    while (FakeSource.open.size !== count) await firstValueFrom(FakeSource.changed);
    return [...FakeSource.open][0] as FakeSource;
  };
  const saved: Change = { kind: 'theme', id: 'a', what: 'saved', revision: 2 };
  let listening: Subscription[];

  beforeEach(() => {
    globalThis.EventSource = FakeSource as unknown as typeof EventSource;
    listening = [];
  });
  afterEach(async () => {
    listening.forEach((each) => each.unsubscribe());
    await connections(0);
    globalThis.EventSource = given;
  });

  it('is heard in every window of a browser over one connection', async () => {
    const [one, two] = [window(), window()];
    listening.push(one.all$.subscribe());
    const heard = firstValueFrom(two.all$);
    listening.push(two.all$.subscribe());
    await connections(1);
    // The other's channel listens from the moment on at which it asks for the lock.
    FakeSource.say(saved);
    expect(await heard).toEqual(saved);
    expect(FakeSource.open.size).toBe(1);
  });

  it('is looked at anew by the window that has the connection next, and by those beside it', async () => {
    const [one, two, three] = [window(), window(), window()];
    const first = one.all$.subscribe();
    const source = await connections(1);
    source.onopen?.();
    listening.push(two.all$.subscribe(), three.all$.subscribe());
    const looked = Promise.all([two, three].map(({ again$ }) => firstValueFrom(again$)));
    first.unsubscribe();
    while (FakeSource.open.has(source) || FakeSource.open.size !== 1) await firstValueFrom(FakeSource.changed);
    [...FakeSource.open][0]?.onopen?.();
    await looked;
    expect(FakeSource.open.size).toBe(1);
  });

  it('of one document is its revision, that it was deleted, or that nobody knows', async () => {
    const changes = window();
    const told = firstValueFrom(changes.of('themes', 'a').pipe(take(3), toArray()));
    const source = await connections(1);
    source.onopen?.();
    listening.push(changes.all$.pipe(filter(() => false)).subscribe());
    for (const change of [saved, { ...saved, id: 'b' }, { ...saved, what: 'published' as const }, { ...saved, what: 'deleted' as const }])
      FakeSource.say(change);
    source.onopen?.();
    expect(await told).toEqual([2, 'deleted', 'look']);
  });
});
