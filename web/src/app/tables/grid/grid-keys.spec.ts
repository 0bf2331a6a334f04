import { gridKey, type GridKey } from './grid-keys';

const press = (text: string): GridKey | undefined => {
  const keys = text.split('+');
  const key = keys.at(-1) === '' ? ' ' : (keys.at(-1) ?? '');
  return gridKey({
    key,
    altKey: keys.includes('Alt'),
    ctrlKey: keys.includes('Ctrl'),
    metaKey: keys.includes('Meta'),
    shiftKey: keys.includes('Shift'),
  });
};

describe('gridKey', () => {
  it('steps, grows the block with Shift, and moves what is chosen with Alt', () => {
    expect(press('ArrowUp')).toEqual({ does: 'step', down: -1, across: 0, grows: false });
    expect(press('Shift+ArrowRight')).toEqual({ does: 'step', down: 0, across: 1, grows: true });
    expect(press('PageDown')).toEqual({ does: 'step', down: 20, across: 0, grows: false });
    expect(press('Alt+ArrowLeft')).toEqual({ does: 'move', axis: 'column', by: -1 });
    expect(press('Alt+ArrowDown')).toEqual({ does: 'move', axis: 'row', by: 1 });
  });

  it('goes to the ends of a row, and with Ctrl of the table', () => {
    expect(press('Home')).toEqual({ does: 'begin', whole: false });
    expect(press('Ctrl+End')).toEqual({ does: 'end', whole: true });
  });

  it('tells choosing from typing, and leaves the rest to the browser', () => {
    expect(press('Shift+')).toEqual({ does: 'row' });
    expect(press('Ctrl+')).toEqual({ does: 'column' });
    expect(press('Ctrl+a')).toEqual({ does: 'all' });
    expect(press('F2')).toEqual({ does: 'edit' });
    expect(press('Backspace')).toEqual({ does: 'clear' });
    expect(press('ώ')).toEqual({ does: 'type', text: 'ώ' });
    expect(press('Ctrl+v')).toBeUndefined();
    expect(press('Meta+x')).toBeUndefined();
    expect(press('Tab')).toBeUndefined();
    for (const named of ['Dead', 'Process', 'F5', 'Unidentified', 'CapsLock']) expect(press(named)).withContext(named).toBeUndefined();
  });

  it('takes signs that need a further key, or are more than one unit, whole', () => {
    expect(press('Alt+£')).toEqual({ does: 'type', text: '£' });
    expect(press('😀')).toEqual({ does: 'type', text: '😀' });
    expect(press('ﷺ')).toEqual({ does: 'type', text: 'ﷺ' });
    expect(press('Alt+f')).toBeUndefined();
    const withAltGr = {
      key: '@',
      altKey: true,
      ctrlKey: true,
      metaKey: false,
      shiftKey: false,
      getModifierState: (name: string) => name === 'AltGraph',
    };
    expect(gridKey(withAltGr)).toEqual({ does: 'type', text: '@' });
    expect(gridKey({ ...withAltGr, getModifierState: () => false })).toBeUndefined();
  });

  it('go to the next column on the side on which it is', () => {
    const left = { key: 'ArrowLeft', altKey: false, ctrlKey: false, metaKey: false, shiftKey: false };
    expect([gridKey(left), gridKey(left, 'rtl')]).toEqual([
      { does: 'step', down: 0, across: -1, grows: false },
      { does: 'step', down: 0, across: 1, grows: false },
    ]);
    expect(gridKey({ ...left, altKey: true }, 'rtl')).toEqual({ does: 'move', axis: 'column', by: 1 });
  });
});
