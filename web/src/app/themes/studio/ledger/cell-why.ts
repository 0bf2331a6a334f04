import { cellEdges, isDrawn, type EdgeLine } from '../../../../../../core/lines';
import { fillLayers } from '../../../../../../core/paint';
import { resolve } from '../../../../../../core/resolve';
import { heldOn, slotOf, type Band, type GridCell, type Held, type Table } from '../../../../../../core/table';
import { placesFor, propertyOf, type ThemeView } from '../../../../../../core/theme';
import { sourceInWords } from './ledger-rows';

/** What decides how a cell looks, one sentence a thing. */
export interface CellWhy {
  readonly what: string;
  readonly text: string;
  readonly where: string;
}

export function bandOf(view: ThemeView): Band {
  const { value } = resolve(view, { part: 'body-rows', conditions: [] }, 'band');
  return value.kind === 'band' ? value : { every: 2, from: 2 };
}

/** What decides a cell's fill, ink, font and lines. */
export function whyOfCell(view: ThemeView, table: Table, cell: GridCell, held: Held): readonly CellWhy[] {
  const slot = slotOf(table, cell, heldOn(table, cell, held), bandOf(view));
  const told = (['ink', 'font'] as const).map((name): CellWhy => {
    const { text, from } = resolve(view, slot, name);
    return { what: propertyOf(name).label, text, where: sourceInWords(from) };
  });
  const { top, start, bottom, end } = cellEdges(view, table, cell);
  return [
    ...fills(view, slot),
    ...told,
    ...line(view, 'Line above', top),
    ...line(view, 'Line at its start', start),
    ...line(view, 'Line below', bottom),
    ...line(view, 'Line at its end', end),
  ];
}

/** The fills that are seen, the topmost first: a translucent one shows the next. */
function fills(view: ThemeView, slot: ReturnType<typeof slotOf>): readonly CellWhy[] {
  const { over, cell, row, group, table } = fillLayers(view, slot);
  const seen = [over, cell, row, group, table].find(({ alpha }) => alpha > 0);
  const said = placesFor(slot, propertyOf('fill'))
    .flatMap((place) => view.said(place, 'fill'))
    .find(
      ({ read }) =>
        read.ok &&
        read.value.kind === 'colour' &&
        read.value.rgba.alpha === seen?.alpha &&
        read.value.rgba.r === seen.r &&
        read.value.rgba.b === seen.b,
    );
  return [said ? { what: 'Fill', text: said.text, where: sourceInWords(said) } : { what: 'Fill', text: 'none', where: 'the page shows' }];
}

function line(view: ThemeView, what: string, edge: EdgeLine | undefined): readonly CellWhy[] {
  if (!edge || !isDrawn(edge.line)) return [];
  const { width, style, swatch = '' } = edge.line;
  const { label } = propertyOf(edge.name);
  const isOwn = edge.name === 'line-above' || edge.name === 'line-before';
  const where = isOwn ? 'this table, beside its theme' : sourceInWords(resolve(view, { part: 'lines', conditions: [] }, edge.name).from);
  return [{ what, text: `${width}px ${style} ${swatch}`.trim(), where: isOwn ? where : `${label}: ${where}` }];
}
