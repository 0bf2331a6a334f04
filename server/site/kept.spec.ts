import { Kept, type Made } from './kept';

describe('What is made once and kept', () => {
  const of = (...documents: readonly string[]): ReadonlySet<string> => new Set(documents);
  let made: string[];
  let parts: Map<string, ReadonlySet<string>>;
  let kept: Kept<string>;
  beforeEach(() => {
    made = [];
    parts = new Map([
      ['a', of('theme/one', 'table/few')],
      ['b', of('theme/two', 'table/few')],
    ]);
    kept = new Kept((key) => {
      made.push(key);
      const found = parts.get(key);
      return Promise.resolve(found && { value: `${key}${made.length}`, of: found });
    }, fail);
  });

  it('is made once, however often it is asked for', async () => {
    expect(await Promise.all([kept.get('a'), kept.get('a'), kept.get('b')])).toEqual(['a1', 'a1', 'b2']);
    expect(await kept.get('a')).toBe('a1');
    expect(made).toEqual(['a', 'b']);
  });

  it('forgets what is made of a document, and nothing else', async () => {
    await Promise.all([kept.get('a'), kept.get('b')]);
    kept.forget('theme/two');
    expect([await kept.get('a'), await kept.get('b')]).toEqual(['a1', 'b3']);
    kept.forget('table/few');
    expect([await kept.get('a'), await kept.get('b')]).toEqual(['a4', 'b5']);
    kept.forget('theme/none');
    kept.forget();
    expect([await kept.get('a'), await kept.get('b')]).toEqual(['a6', 'b7']);
  });

  it('does not keep what was begun before something was forgotten, whatever it is made of', async () => {
    const finish: ((found: Made<string>) => void)[] = [];
    const slow = new Kept<string>(() => new Promise((resolve) => finish.push(resolve)), fail);
    const before = slow.get('a');
    slow.forget('theme/new');
    const after = slow.get('a');
    finish[0]?.({ value: 'old', of: of() });
    finish[1]?.({ value: 'new', of: of() });
    expect(await Promise.all([before, after])).toEqual(['old', 'new']);
    expect(await slow.get('a')).toBe('new');
  });

  it('asks again for what there was none of', async () => {
    expect(await kept.get('c')).toBeUndefined();
    parts.set('c', of());
    expect(await kept.get('c')).toBe('c2');
  });

  it('gives what it last was where it can no longer be made, and says so', async () => {
    const said: string[] = [];
    let isBroken = false;
    const breaking = new Kept<string>(
      () => (isBroken ? Promise.reject(new Error('It broke')) : Promise.resolve({ value: 'good', of: of() })),
      (message) => said.push(message),
    );
    expect(await breaking.get('a')).toBe('good');
    isBroken = true;
    breaking.forget();
    expect(await breaking.get('a')).toBe('good');
    expect(said.join()).toContain('It broke');
    await expectAsync(breaking.get('b')).toBeRejectedWithError('It broke');
  });
});
