import { effect, type ElementRef, type Signal, type WritableSignal } from '@angular/core';

/** A width that is dragged within the room of a stage. */
export interface Room {
  readonly width: WritableSignal<number>;
  readonly room: WritableSignal<number>;
}

/**
 * Keeps the room up to date with the stage, less `less` px of edges. A width that filled the room goes on
 * filling it; one that no longer fits shrinks. Call it where effects can be made.
 */
export function followRoom(stage: Signal<ElementRef<HTMLElement> | undefined>, less: () => number, { width, room }: Room): void {
  effect((onCleanup) => {
    const element = stage()?.nativeElement;
    if (!element) return;
    const observer = new ResizeObserver(() => {
      const now = Math.floor(element.clientWidth - less());
      if (width() >= room() - 8 || width() > now) width.set(now);
      room.set(now);
    });
    observer.observe(element);
    onCleanup(() => observer.disconnect());
  });
}
