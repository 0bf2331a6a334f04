import { autocompletion, completionKeymap, closeBrackets, closeBracketsKeymap } from '@codemirror/autocomplete';
import { defaultKeymap, history, historyKeymap } from '@codemirror/commands';
import { css, cssCompletionSource } from '@codemirror/lang-css';
import { HighlightStyle, bracketMatching, syntaxHighlighting } from '@codemirror/language';
import { lintGutter, setDiagnostics, type Diagnostic } from '@codemirror/lint';
import { Annotation, EditorState } from '@codemirror/state';
import { EditorView, drawSelection, highlightActiveLine, keymap, lineNumbers } from '@codemirror/view';
import { tags } from '@lezer/highlight';
import type { ExtraNotice } from '../../../../../core/theme';
import { completionsOf } from './completions';

/** A change that comes from outside and is no typing. */
const fromOutside = Annotation.define<boolean>();

const look = EditorView.theme({
  '&': { height: '100%', fontSize: '13px', backgroundColor: 'var(--zest-card)', color: 'var(--zest-ink)' },
  '&.cm-focused': { outline: '2px solid var(--zest-zest)', outlineOffset: '-2px' },
  '.cm-scroller': { fontFamily: 'var(--zest-mono)', lineHeight: '1.6' },
  '.cm-content': { caretColor: 'var(--zest-ink)' },
  '.cm-gutters': { backgroundColor: 'var(--zest-bench)', color: 'var(--zest-soft)', borderInlineEnd: '1px solid var(--zest-line)' },
  '.cm-activeLine, .cm-activeLineGutter': { backgroundColor: 'color-mix(in srgb, var(--zest-glow) 45%, transparent)' },
  '.cm-tooltip': { backgroundColor: 'var(--zest-card)', color: 'var(--zest-ink)', border: '1px solid var(--zest-edge)', borderRadius: '8px' },
  '.cm-tooltip-autocomplete ul li[aria-selected]': { backgroundColor: 'var(--zest-glow)', color: 'var(--zest-ink)' },
  '.cm-completionDetail': { color: 'var(--zest-soft)', fontStyle: 'normal' },
});

const inks = HighlightStyle.define([
  { tag: [tags.tagName, tags.className], color: 'var(--zest-zest-text)' },
  { tag: [tags.propertyName, tags.attributeName], color: 'var(--zest-ink)' },
  { tag: [tags.keyword, tags.definitionKeyword, tags.controlKeyword], color: 'var(--zest-leaf)', fontWeight: '600' },
  { tag: [tags.variableName, tags.number, tags.unit, tags.color, tags.string], color: 'var(--zest-leaf)' },
  { tag: tags.comment, color: 'var(--zest-soft)' },
]);

export interface CssViewOptions {
  readonly parent: HTMLElement;
  readonly text: string;
  readonly label: string;
  /** Id of what explains the field. */
  readonly describedBy: string;
  readonly nonce: string;
  readonly swatches: () => readonly string[];
  readonly changed: (text: string) => void;
}

/** An editor for extra CSS. Tab leaves it, as it leaves any field (WCAG 2.2, 2.1.2). */
export const cssView = ({ parent, text, label, describedBy, nonce, swatches, changed }: CssViewOptions): EditorView =>
  new EditorView({
    parent,
    state: EditorState.create({
      doc: text,
      extensions: [
        EditorView.cspNonce.of(nonce),
        lineNumbers(),
        history(),
        drawSelection(),
        bracketMatching(),
        closeBrackets(),
        highlightActiveLine(),
        lintGutter(),
        css(),
        syntaxHighlighting(inks),
        autocompletion({ interactionDelay: 0, override: [completionsOf(swatches), cssCompletionSource] }),
        keymap.of([...closeBracketsKeymap, ...completionKeymap, ...defaultKeymap, ...historyKeymap]),
        EditorView.lineWrapping,
        EditorView.contentAttributes.of({ 'aria-label': label, 'aria-describedby': describedBy, spellcheck: 'false' }),
        EditorView.updateListener.of((update) => {
          if (update.docChanged && !update.transactions.some((each) => each.annotation(fromOutside))) changed(update.state.doc.toString());
        }),
        look,
      ],
    }),
  });

/** Puts a text into the editor that was not typed there: what both have at their ends stays, and with it the cursor. */
export function replaceText(view: EditorView, text: string): void {
  const now = view.state.doc.toString();
  if (now === text) return;
  let from = 0;
  while (from < now.length && from < text.length && now[from] === text[from]) from++;
  let [to, end] = [now.length, text.length];
  while (to > from && end > from && now[to - 1] === text[end - 1]) [to, end] = [to - 1, end - 1];
  view.dispatch({ changes: { from, to, insert: text.slice(from, end) }, annotations: fromOutside.of(true) });
}

/** Marks what was found wrong, each at its place. */
export function markNotices(view: EditorView, notices: readonly ExtraNotice[]): void {
  const { doc } = view.state;
  const diagnostics = notices
    .filter(({ line }) => line <= doc.lines)
    .map(({ line, column, length, say, isLeftOut }): Diagnostic => {
      const { from: start, to: end } = doc.line(line);
      const from = Math.min(end, start + column - 1);
      return { from, to: length > 0 ? Math.min(end, from + length) : end, severity: isLeftOut ? 'error' : 'warning', message: say };
    });
  view.dispatch(setDiagnostics(view.state, diagnostics));
}

/** Puts the cursor at a place and the focus into the editor. */
export function goToPlace(view: EditorView, line: number, column = 1): void {
  const { doc } = view.state;
  const { from, to } = doc.line(Math.min(Math.max(1, line), doc.lines));
  view.dispatch({ selection: { anchor: Math.min(to, from + column - 1) }, scrollIntoView: true });
  view.focus();
}
