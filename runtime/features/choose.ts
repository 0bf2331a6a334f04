import type { Feature } from '../feature';
import { CHOOSE, SELECTED } from '../marks';
import { textOf } from '../text';
import type { Unit } from '../units';

/** Rows that a visitor chooses, each by a box in its first cell; they stay chosen wherever they go. */
export const choose: Feature = (live) => {
  if (!live.can.has('choose')) return undefined;
  /** Which rows were chosen, by where they stood at first. */
  const chosen = new Set<number>();
  const tick = ({ rows }: Unit, at: number): void => {
    const cell = rows[0]?.cells[0];
    if (!cell) return;
    const box = live.make('input', { type: 'checkbox', className: CHOOSE, checked: chosen.has(at) });
    box.setAttribute('aria-label', live.say('choose', { row: textOf(cell) }));
    const mark = (): void => rows.forEach((row) => row.toggleAttribute(SELECTED, box.checked));
    box.addEventListener('change', () => {
      if (box.checked) chosen.add(at);
      else chosen.delete(at);
      mark();
      live.again('shown');
    });
    mark();
    // A row's header is called what it says, and not what its tick box is called besides.
    if (cell.matches('th')) cell.setAttribute('aria-label', textOf(cell));
    cell.prepend(box);
  };
  return {
    shown: (_, shown) => {
      for (const unit of shown) if (!unit.rows[0]?.querySelector(`.${CHOOSE}`)) tick(unit, live.body().units.indexOf(unit));
    },
    says: () => (chosen.size > 0 ? live.say('chosen', { count: chosen.size }) : ''),
  };
};
