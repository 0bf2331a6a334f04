/** What a key asks of a grid of cells (ARIA Authoring Practices, "Grid", keyboard interaction). */
export type GridKey =
  /** The chosen rows or columns move by one. */
  | { readonly does: 'move'; readonly axis: 'row' | 'column'; readonly by: -1 | 1 }
  /** The focus goes on by cells or, growing, the chosen block. */
  | { readonly does: 'step'; readonly down: number; readonly across: number; readonly grows: boolean }
  /** The focus goes to the beginning or the end, of its row or of the whole table. */
  | { readonly does: 'begin' | 'end'; readonly whole: boolean }
  | { readonly does: 'row' | 'column' | 'all' | 'edit' | 'clear' }
  | { readonly does: 'type'; readonly text: string };

type Pressed = Pick<KeyboardEvent, 'key' | 'altKey' | 'ctrlKey' | 'metaKey' | 'shiftKey'>;

/** Rows that Page Up and Page Down go over. */
const PAGE = 20;
const steps: Readonly<Record<string, readonly [number, number]>> = {
  ArrowUp: [-1, 0],
  ArrowDown: [1, 0],
  ArrowLeft: [0, -1],
  ArrowRight: [0, 1],
  PageUp: [-PAGE, 0],
  PageDown: [PAGE, 0],
};

/** Nothing for keys that the grid leaves to the browser. */
export function gridKey({ key, altKey, ctrlKey, metaKey, shiftKey }: Pressed): GridKey | undefined {
  const [down, across] = steps[key] ?? [0, 0];
  if (altKey && key.startsWith('Arrow')) return { does: 'move', axis: down === 0 ? 'column' : 'row', by: down + across < 0 ? -1 : 1 };
  if (key in steps) return { does: 'step', down, across, grows: shiftKey };
  if (key === 'Home') return { does: 'begin', whole: ctrlKey };
  if (key === 'End') return { does: 'end', whole: ctrlKey };
  if (key === ' ' && shiftKey) return { does: 'row' };
  if (key === ' ' && ctrlKey) return { does: 'column' };
  if (key.toLowerCase() === 'a' && ctrlKey) return { does: 'all' };
  if (key === 'Enter' || key === 'F2') return { does: 'edit' };
  if (key === 'Delete' || key === 'Backspace') return { does: 'clear' };
  return key.length === 1 && !ctrlKey && !metaKey && !altKey ? { does: 'type', text: key } : undefined;
}
