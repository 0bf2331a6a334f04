import { Injectable } from '@angular/core';

/** Without a scroll for so long, in ms, the view stands still and everything near it is built at once. */
const STILL = 150;
/** A frame that took longer than this, in ms, is late: the display shows 60 a second. */
const LATE = 20;
/** So many late frames in a row may pass before one is built all the same. */
const PATIENCE = 4;
/** In a still view, so many in a frame: a screen of them in seven or eight, none of which is late. */
const ALL = 2;
/** Who scrolls by more px than `FAST` within so many ms (1,000 px a second) looks at nothing that passes, and nothing is built for it. */
const [LATELY, FAST] = [100, 100];

/**
 * Lets hundreds of costly elements be built as they come near the window's view. While it is scrolled that is one
 * in a frame, and none in a frame that is late already or while it flies past, so that scrolling never waits for them.
 * One that has left again before its turn is not built.
 */
@Injectable({ providedIn: 'root' })
export class Turns {
  private readonly builds = new Map<Element, () => void>();
  private readonly waiting = new Set<Element>();
  private asked = false;
  private last = 0;
  private passed = 0;
  private scrolled = -STILL;
  /** The last scrolls: when, in ms, and by how many px. */
  private scrolls: readonly { readonly at: number; readonly by: number }[] = [];
  private readonly tops = new WeakMap<EventTarget, number>();
  private readonly observer = new IntersectionObserver((entries) => this.moved(entries), { scrollMargin: '320px' } as IntersectionObserverInit);

  constructor() {
    // Scrolls do not bubble, but are seen on their way down.
    document.addEventListener('scroll', ({ target }) => this.noteScroll(target), { capture: true, passive: true });
  }

  /** Calls `build` once, in a frame in which `element` is in or near the view. */
  join(element: Element, build: () => void): void {
    this.builds.set(element, build);
    this.observer.observe(element);
  }
  leave(element: Element): void {
    this.observer.unobserve(element);
    this.builds.delete(element);
    this.waiting.delete(element);
  }

  private moved(entries: readonly IntersectionObserverEntry[]): void {
    for (const { target, isIntersecting } of entries)
      if (isIntersecting && this.builds.has(target)) this.waiting.add(target);
      else this.waiting.delete(target);
    this.ask();
  }
  private noteScroll(target: EventTarget | null): void {
    const view = target instanceof Element ? target : document.scrollingElement;
    if (!view) return;
    this.scrolled = performance.now();
    const by = Math.abs(view.scrollTop - (this.tops.get(view) ?? 0));
    this.tops.set(view, view.scrollTop);
    this.scrolls = [...this.scrolls.filter(({ at }) => this.scrolled - at < LATELY), { at: this.scrolled, by }];
  }
  private isFlying(now: number): boolean {
    return this.scrolls.reduce((sum, { at, by }) => sum + (now - at < LATELY ? by : 0), 0) > FAST;
  }

  private ask(): void {
    if (this.asked || this.waiting.size === 0) return;
    this.asked = true;
    requestAnimationFrame((now) => {
      this.asked = false;
      const isStill = performance.now() - this.scrolled > STILL;
      const isLate = !isStill && now - this.last > LATE && this.passed < PATIENCE;
      this.last = now;
      this.passed = isLate ? this.passed + 1 : 0;
      for (const element of isLate || this.isFlying(performance.now()) ? [] : [...this.waiting].slice(0, isStill ? ALL : 1)) {
        const build = this.builds.get(element);
        this.leave(element);
        build?.();
      }
      this.ask();
    });
  }
}
