import { ChangeDetectionStrategy, Component, type ElementRef, inject, signal, viewChild, type AfterViewInit, type OnDestroy } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MAT_DIALOG_DATA, MatDialogModule, MatDialogRef } from '@angular/material/dialog';
import { MatMenuModule } from '@angular/material/menu';
import { Editor } from '@tiptap/core';
import { firstValueFrom } from 'rxjs';
import { languageProblem } from '../../../../../core/data-types';
import { languages } from '../../../../../core/languages';
import { icons } from '../../../../../core/media';
import { LIMITS, isColour, isSafeAddress, textOf, type Cell } from '../../../../../core/table';
import { mediaAddress } from '../../../../../core/theme';
import { Api, ApiError } from '../../documents/api';
import { cellOfDoc, docOf } from './cell-doc';
import { textExtensions } from './text-extensions';

export interface TextData {
  readonly cell: Cell;
  readonly where: string;
  /** Colours of the table's theme, by name; none for what is in no table. */
  readonly colours?: ReadonlyMap<string, string>;
}

const marks = [
  ['bold', 'Bold', 'B'],
  ['italic', 'Italic', 'I'],
  ['underline', 'Underlined', 'U'],
  ['strike', 'Struck out', 'S'],
  ['small', 'Small', 'a'],
  ['subscript', 'Sub, below the line', 'Sub'],
  ['superscript', 'Super, above the line', 'Super'],
  ['highlight', 'Highlighted', 'H'],
  ['code', 'Code', '<>'],
] as const;

/** The text of a cell with all that it can have: marks, links, lines, icons and pictures. */
@Component({
  selector: 'zest-text-dialog',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButtonModule, MatDialogModule, MatMenuModule],
  templateUrl: './text-dialog.html',
  styleUrl: './text-dialog.scss',
})
export class TextDialog implements AfterViewInit, OnDestroy {
  protected readonly data = inject<TextData>(MAT_DIALOG_DATA);
  private readonly dialog = inject<MatDialogRef<TextDialog, Cell>>(MatDialogRef);
  private readonly api = inject(Api);
  private readonly place = viewChild.required<ElementRef<HTMLElement>>('place');
  private editor: Editor | undefined;

  protected readonly marks = marks;
  protected readonly icons = icons;
  protected readonly on = signal<ReadonlySet<string>>(new Set());
  protected readonly address = signal('');
  protected readonly language = signal('');
  protected readonly languages = languages;
  protected readonly colours = [...(this.data.colours?.keys() ?? [])];
  protected readonly ink = signal('');
  protected readonly ground = signal('');
  /** Height of the chosen picture in px, empty for as it comes; undefined where none is chosen. */
  protected readonly height = signal<string | undefined>(undefined);
  protected readonly wrong = signal('');

  ngAfterViewInit(): void {
    const editor = new Editor({
      element: this.place().nativeElement,
      extensions: textExtensions((text) => this.data.colours?.get(text) ?? (text.startsWith('#') ? text : '')),
      content: docOf(this.data.cell),
      // The page's policy allows no style element; what the editor needs stands in this component's own.
      injectCSS: false,
      editorProps: { attributes: { role: 'textbox', 'aria-multiline': 'true', 'aria-label': `Text of ${this.data.where}` } },
      onTransaction: () => this.look(),
    });
    this.editor = editor;
    editor.commands.setTextSelection(editor.state.doc.content.size);
    this.look();
  }
  ngOnDestroy(): void {
    this.editor?.destroy();
  }

  private look(): void {
    const { editor } = this;
    if (!editor) return;
    this.on.set(new Set(marks.map(([name]) => name).filter((name) => editor.isActive(name))));
    this.address.set(String(editor.getAttributes('link')['href'] ?? ''));
    this.language.set(String(editor.getAttributes('language')['href'] ?? ''));
    this.ink.set(String(editor.getAttributes('ink')['href'] ?? ''));
    this.ground.set(String(editor.getAttributes('highlight')['href'] ?? ''));
    const height = editor.getAttributes('picture')['height'] as number | null | undefined;
    this.height.set(editor.isActive('picture') ? String(height ?? '') : undefined);
  }

  protected toggle(name: string): void {
    this.editor?.chain().focus().toggleMark(name).run();
  }
  protected link(typed: string): void {
    const href = typed.trim();
    if (href === '') {
      this.wrong.set('');
      this.editor?.chain().focus().extendMarkRange('link').unsetLink().run();
      return;
    }
    if (!isSafeAddress(href))
      return this.wrong.set(`“${href.slice(0, 60)}” is no address that a link can lead to. Write one with https, mailto or tel, or a relative one.`);
    if (this.editor?.state.selection.empty && !this.editor.isActive('link'))
      return this.wrong.set('Choose the words first that the link is to stand on.');
    this.wrong.set('');
    this.editor?.chain().focus().extendMarkRange('link').setLink({ href }).run();
  }
  /** Says the language of what is chosen or, where nothing is, of all of the text. */
  protected speak(typed: string): void {
    const href = typed.trim();
    const { editor } = this;
    if (!editor) return;
    this.wrong.set(languageProblem(href, 'the table’s'));
    if (this.wrong() !== '') return;
    const { selection, doc } = editor.state;
    const chain = editor.chain().focus();
    const chosen = editor.isActive('language') && selection.empty ? chain.extendMarkRange('language') : chain;
    const on = selection.empty && !editor.isActive('language') ? chosen.setTextSelection({ from: 0, to: doc.content.size }) : chosen;
    (href === '' ? on.unsetMark('language') : on.setMark('language', { href })).run();
  }
  /** Gives what is chosen a colour: of its ink or of what lies under it. Empty takes it away. */
  protected paint(kind: 'ink' | 'highlight', field: HTMLInputElement): void {
    const { editor } = this;
    const href = field.value.trim();
    if (!editor) return;
    const isKnown = href.startsWith('#') ? isColour(href) : (this.data.colours?.has(href) ?? false);
    if (href !== '' && !isKnown)
      return this.wrong.set(
        `“${href.slice(0, 40)}” is no colour. Write one as #b3261e${this.colours.length > 0 ? `, or a swatch: ${this.colours.slice(0, 8).join(', ')}` : ''}.`,
      );
    if (editor.state.selection.empty && !editor.isActive(kind)) return this.wrong.set('Choose the words first that are to have the colour.');
    this.wrong.set('');
    const chain = editor.chain().focus();
    const on = editor.state.selection.empty ? chain.extendMarkRange(kind) : chain;
    (href === '' ? on.unsetMark(kind) : on.setMark(kind, { href })).run();
  }
  /** Makes the chosen picture so high; empty lets it be as it comes. */
  protected resize(field: HTMLInputElement): void {
    const height = field.value.trim() === '' ? null : field.valueAsNumber;
    if (height !== null && (!Number.isInteger(height) || height < 8 || height > 600)) return this.wrong.set('A picture is from 8 to 600 px high.');
    this.wrong.set('');
    this.editor?.chain().focus().updateAttributes('picture', { height }).run();
  }
  protected icon(name: string, label: string): void {
    this.editor
      ?.chain()
      .focus()
      .insertContent({ type: 'icon', attrs: { of: name, text: label } })
      .run();
  }
  protected async picture(field: HTMLInputElement): Promise<void> {
    const file = field.files?.[0];
    field.value = '';
    if (!file) return;
    try {
      const { id } = await firstValueFrom(this.api.keepPicture(file));
      this.wrong.set('');
      const text = file.name.replace(/\.\w+$/, '').replace(/[-_]+/g, ' ');
      this.editor
        ?.chain()
        .focus()
        .insertContent({ type: 'picture', attrs: { of: mediaAddress(id), text } })
        .run();
    } catch (error) {
      this.wrong.set(error instanceof ApiError ? `“${file.name}”: ${error.say}` : 'It could not be brought in.');
    }
  }

  protected done(): void {
    const cell = this.editor ? cellOfDoc(this.editor.getJSON()) : this.data.cell;
    const long = textOf(cell).length;
    if (long > LIMITS.cell)
      return this.wrong.set(`A cell holds at most ${LIMITS.cell.toLocaleString('en')} characters; these are ${long.toLocaleString('en')}.`);
    this.dialog.close(cell);
  }
}
