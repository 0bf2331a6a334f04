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

type Pressed = Pick<KeyboardEvent, 'key' | 'altKey' | 'ctrlKey' | 'metaKey' | 'shiftKey'> & Partial<Pick<KeyboardEvent, 'getModifierState'>>;

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

/**
 * The text that a key types; undefined where it types none. Some signs need a further key (`£` by Alt, `€` by AltGr, which is Ctrl and
 * Alt together), and one sign can be several code units; a plain letter with Alt is the browser's.
 */
function typedBy(pressed: Pressed): string | undefined {
  const { key, altKey, ctrlKey, metaKey } = pressed;
  if (/^[A-Za-z][A-Za-z0-9]+$/.test(key) || key === '') return undefined;
  if (pressed.getModifierState?.('AltGraph') === true) return key;
  if (ctrlKey || metaKey || (altKey && /^[\x20-\x7e]$/.test(key))) return undefined;
  return key;
}

/** Nothing for keys that the grid leaves to the browser. In a table that goes from right to left the next column is to the left. */
export function gridKey(pressed: Pressed, direction: 'ltr' | 'rtl' = 'ltr'): GridKey | undefined {
  const { key, altKey, ctrlKey, shiftKey } = pressed;
  const [down, right] = steps[key] ?? [0, 0];
  const across = direction === 'rtl' && right !== 0 ? -right : right;
  if (altKey && key.startsWith('Arrow')) return { does: 'move', axis: down === 0 ? 'column' : 'row', by: down + across < 0 ? -1 : 1 };
  if (key in steps) return { does: 'step', down, across, grows: shiftKey };
  if (key === 'Home') return { does: 'begin', whole: ctrlKey };
  if (key === 'End') return { does: 'end', whole: ctrlKey };
  if (key === ' ' && shiftKey) return { does: 'row' };
  if (key === ' ' && ctrlKey) return { does: 'column' };
  if (key.toLowerCase() === 'a' && ctrlKey) return { does: 'all' };
  if (key === 'Enter' || key === 'F2') return { does: 'edit' };
  if (key === 'Delete' || key === 'Backspace') return { does: 'clear' };
  const text = typedBy(pressed);
  return text === undefined ? undefined : { does: 'type', text };
}
