/** The label that a cell brings for rows that are stacked; a box to choose the row by may stand before it. */
export const labelIn = (cell: Element): Element | null => {
  const first = cell.firstElementChild;
  const label = first?.localName === 'input' ? first.nextElementSibling : first;
  return label?.className === 'zp-label' ? label : null;
};

/** What a cell says, without its label. */
export const textOf = (cell: Element | undefined): string => (cell?.textContent.slice(labelIn(cell)?.textContent.length ?? 0) ?? '').trim();
