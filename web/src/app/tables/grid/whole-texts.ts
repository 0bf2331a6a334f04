/**
 * Texts that come to a cell without a key of their own: from an input method, dictation, a list of signs. The chosen cell can be
 * typed into by the browser for that (HTML Standard, `contenteditable`); what would be written there is taken whole instead, and the
 * cell is left as it was (Input Events 2; UI Events, "Composition events").
 */
export class WholeTexts {
  /** What stood in the cell before a composition was begun in it. */
  private before: readonly ChildNode[] | undefined;

  constructor(private readonly take: (cell: HTMLElement, text: string) => void) {}

  /** Nothing is written into a cell but what is being composed, which the browser does not let us prevent. */
  about(event: InputEvent): void {
    const cell = cellOf(event);
    if (!cell || event.inputType === 'insertCompositionText') return;
    event.preventDefault();
    const text = event.data ?? event.dataTransfer?.getData('text/plain') ?? '';
    if (event.inputType.startsWith('insert') && text !== '' && this.before === undefined) this.take(cell, text);
  }

  begin(event: CompositionEvent): void {
    const cell = cellOf(event);
    this.before = cell && [...cell.childNodes];
    cell?.toggleAttribute(COMPOSING, true);
  }

  end(event: CompositionEvent): void {
    const cell = cellOf(event);
    const before = this.before;
    this.before = undefined;
    if (!cell || !before) return;
    for (const node of [...cell.childNodes]) if (!before.includes(node)) node.remove();
    cell.toggleAttribute(COMPOSING, false);
    if (event.data !== '') this.take(cell, event.data);
  }
}

const COMPOSING = 'data-composing';
/** The cell in which a text arrives; none where that is the field of one being typed into. */
const cellOf = ({ target }: Event): HTMLElement | undefined => (target instanceof HTMLElement && target.matches('[data-cell]') ? target : undefined);
