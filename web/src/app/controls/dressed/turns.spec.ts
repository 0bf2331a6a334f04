import { TestBed } from '@angular/core/testing';
import { Turns } from './turns';

const frame = (): Promise<number> => new Promise(requestAnimationFrame);

describe('turns of costly elements', () => {
  let view: HTMLElement;
  let built: number[];
  let turns: Turns;

  /** A view of 200 px with 60 elements of 100 px, each of which waits for its turn. */
  beforeEach(() => {
    view = document.createElement('div');
    view.style.cssText = 'height:200px;overflow:auto;position:fixed;inset:0 auto auto 0;width:200px';
    built = [];
    turns = TestBed.inject(Turns);
    const items = Array.from({ length: 60 }, (_, i) => {
      const item = document.createElement('div');
      item.style.height = '100px';
      turns.join(item, () => built.push(i));
      return item;
    });
    view.append(...items);
    document.body.append(view);
  });
  afterEach(() => {
    for (const item of view.children) turns.leave(item);
    view.remove();
  });
  const isStill = async (): Promise<void> => {
    for (let count = -1, same = 0; same < 20; same = built.length === count ? same + 1 : 0) {
      count = built.length;
      await frame();
    }
  };

  it('build what is in or near the view, at most two in a frame, and nothing else', async () => {
    let most = 0;
    for (let i = 0; i < 30; i++) {
      const before = built.length;
      await frame();
      most = Math.max(most, built.length - before);
    }
    expect(most).toBe(2);
    // Two in view, and the room below it in which they are built ahead.
    expect([...built].sort((a, b) => a - b)).toEqual([0, 1, 2, 3, 4, 5]);
  });

  it('build nothing while the view flies past, and then only where it stops', async () => {
    await isStill();
    const before = built.length;
    for (let top = 0; top < 4400; top += 400) {
      view.scrollTop = top;
      await frame();
    }
    expect(built.length).toBe(before);
    await isStill();
    const late = built.slice(before);
    expect(late).toContain(39);
    expect(late).not.toContain(20);
  });

  it('go on building while the view moves slowly', async () => {
    await isStill();
    const before = built.length;
    for (let top = 0; top < 1000; top += 5) {
      view.scrollTop = top;
      await frame();
    }
    expect(built.length).toBeGreaterThan(before + 5);
  });
});
