import { ChangeDetectionStrategy, Component, inject, input, output, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatDialog } from '@angular/material/dialog';
import { firstValueFrom } from 'rxjs';
import { readSpace, readWidth, type Block, type Column } from '../../../../../core/page';
import { marksIn, textOf, type Cell } from '../../../../../core/table';
import { mediaAddress } from '../../../../../core/theme';
import { Deleting } from '../../controls/deleting';
import { Api } from '../../documents/api';
import type { TextData } from '../../tables/text/text-dialog';
import { GroundForm, coloursOn, type PageTheme } from './ground-form';

type Fields = Readonly<Record<string, unknown>>;

/** The fields of a block that is no table. */
@Component({
  selector: 'zest-block-form',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [GroundForm, MatButtonModule],
  templateUrl: './block-form.html',
  styles: `
    :host {
      display: block;
    }
    h2 {
      margin-block-end: 10px;
    }
    label {
      display: block;
      color: var(--zest-soft);
      margin-block-end: 10px;
    }
    textarea {
      resize: vertical;
    }
    p {
      margin: 0 0 10px;
    }
  `,
})
export class BlockForm {
  readonly block = input.required<Exclude<Block, { kind: 'table' }>>();
  /** The themes on the page, whose swatches blocks can have. */
  readonly themes = input<readonly PageTheme[]>([]);
  readonly changed = output<Fields>();
  private readonly api = inject(Api);
  private readonly dialog = inject(MatDialog);
  private readonly deleting = inject(Deleting);
  protected readonly wrong = signal('');

  protected textOf = textOf;
  protected isMarked = (text: Cell): boolean => marksIn(text).length > 0;

  protected set(fields: Fields): void {
    this.wrong.set('');
    this.changed.emit(fields);
  }
  /** The text in the editor that tables' cells have. */
  protected async mark(text: Cell): Promise<void> {
    const { TextDialog } = await import('../../tables/text/text-dialog');
    const data: TextData = { cell: text, where: 'the page', colours: coloursOn(this.themes()) };
    const taken = await firstValueFrom(
      this.dialog.open<unknown, TextData, Cell>(TextDialog, { width: '620px', autoFocus: '.ProseMirror', data }).afterClosed(),
    );
    if (taken !== undefined) this.set({ text: taken });
  }
  protected async bring(field: HTMLInputElement): Promise<void> {
    const file = field.files?.[0];
    field.value = '';
    const kept = file && (await this.deleting.attempt(() => firstValueFrom(this.api.keepPicture(file))));
    if (kept) this.set({ src: mediaAddress(kept.id), natural: await sizeOf(mediaAddress(kept.id)) });
  }
  protected setLength(field: 'height' | 'width', typed: string): void {
    const text = typed.trim().toLowerCase();
    const read = field === 'height' ? readSpace(text) : readWidth(text);
    if (read.ok) this.set({ [field]: text });
    else this.wrong.set(`${read.problems[0]?.say ?? ''} ${read.problems[0]?.remedy ?? ''}`);
  }
  /** Another number of columns; what stood in those that go stands in the last that stays. */
  protected setCount(columns: readonly Column[], count: number): void {
    const kept = columns.slice(0, count);
    const left = columns.slice(count).flatMap(({ blocks }) => blocks);
    const more = Array.from({ length: Math.max(0, count - columns.length) }, (): Column => ({ share: 1, blocks: [] }));
    const last = kept.length - 1;
    this.set({ columns: [...kept.map((column, i) => (i === last ? { ...column, blocks: [...column.blocks, ...left] } : column)), ...more] });
  }
  protected setShare(columns: readonly Column[], at: number, share: number): void {
    if (!Number.isFinite(share) || share < 1 || share > 12) this.wrong.set('A column’s share is from 1 to 12.');
    else this.set({ columns: columns.map((column, i) => (i === at ? { ...column, share } : column)) });
  }
}

/** Width and height that a picture has by itself; undefined for one that has none, as some vector pictures, or that cannot be drawn. */
async function sizeOf(address: string): Promise<{ readonly width: number; readonly height: number } | undefined> {
  const picture = new Image();
  picture.src = address;
  try {
    await picture.decode();
  } catch {
    return undefined;
  }
  const { naturalWidth: width, naturalHeight: height } = picture;
  return width > 0 && height > 0 ? { width, height } : undefined;
}
