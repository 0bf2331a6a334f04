import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import { firstValueFrom } from 'rxjs';
import { iconAddress, icons, pictureAddress, pictures } from '../../../../core/media';
import { PICTURES_MOST, mediaAddress, type Picture, type ValueKind } from '../../../../core/theme';
import { Api, ApiError } from '../documents/api';
import { EditedLook } from './edited-look';

interface Shown {
  readonly name: string;
  readonly label: string;
  readonly address: string;
}

/** Most that a picture may weigh; the server holds the same. */
const MOST_BYTES = 5_000_000;

/** A picture or an icon of the media shelf, or a picture from a file. */
@Component({
  selector: 'zest-picture-editor',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="shelf" role="group" [attr.aria-label]="isIcon() ? 'Icons' : 'Pictures'">
      <button type="button" class="zest-choice" [attr.aria-pressed]="text() === 'none'" (click)="changed.emit('none')">none</button>
      @for (each of shown(); track each.name) {
        <button
          type="button"
          class="tile"
          [attr.aria-pressed]="each.name === text()"
          [attr.aria-label]="each.label"
          [title]="each.label"
          (click)="changed.emit(each.name)"
        >
          @if (isIcon()) {
            <span class="icon" [style.mask-image]="each.address"></span>
          } @else {
            <span class="picture" [style.background-image]="each.address"></span>
          }
        </button>
      }
    </div>
    @if (!isIcon() && !canBring) {
      <p class="zest-note hint">A picture from a file is brought into the theme, in the studio.</p>
    } @else if (!isIcon()) {
      <label class="file">From a file <input type="file" accept="image/*" (change)="bring($any($event.target))" /></label>
      <p class="zest-wrong" role="alert">{{ wrong() }}</p>
    }
  `,
  styles: `
    :host {
      display: grid;
      gap: 10px;
      width: 280px;
    }
    .shelf {
      display: flex;
      flex-wrap: wrap;
      gap: 6px;
    }
    .tile {
      width: 44px;
      height: 44px;
      padding: 0;
      display: grid;
      place-items: center;
      border: 1px solid var(--zest-edge);
      border-radius: 8px;
      background: var(--zest-card);
      cursor: pointer;
      overflow: hidden;
    }
    .tile[aria-pressed='true'] {
      outline: 2px solid var(--zest-zest);
    }
    .tile:focus-visible {
      outline: 3px solid var(--zest-zest);
    }
    .picture {
      width: 100%;
      height: 100%;
    }
    .icon {
      width: 22px;
      height: 22px;
      background: var(--zest-ink);
      mask: center / contain no-repeat;
    }
    .file {
      display: grid;
      gap: 4px;
    }
    .zest-wrong {
      margin: 0;
    }
  `,
})
export class PictureEditor {
  private readonly state = inject(EditedLook);
  private readonly api = inject(Api);
  readonly text = input.required<string>();
  readonly kind = input.required<ValueKind>();
  readonly changed = output<string>();
  protected readonly canBring = this.state.bringPicture !== undefined;
  protected readonly wrong = signal('');
  protected readonly isIcon = computed(() => this.kind() === 'icon');
  protected readonly shown = computed<readonly Shown[]>(() => {
    if (this.isIcon()) return icons.map(({ name, label }) => ({ name, label, address: iconAddress(name) ?? '' }));
    const own = this.state.view()?.pictures ?? [];
    return [
      ...pictures.map(({ name, label }) => ({ name, label, address: pictureAddress(name) ?? '' })),
      ...own.map(({ name, media }) => ({ name, label: name, address: `url("${mediaAddress(media)}")` })),
    ];
  });

  /** Keeps the file on the media shelf and takes it as the value. */
  protected async bring(field: HTMLInputElement): Promise<void> {
    const file = field.files?.[0];
    field.value = '';
    if (!file) return;
    if (file.size > MOST_BYTES)
      return this.wrong.set(
        `“${file.name}” weighs ${(file.size / 1_000_000).toFixed(1)} MB. A picture weighs at most ${MOST_BYTES / 1_000_000} MB: make it smaller first.`,
      );
    try {
      const { id } = await firstValueFrom(this.api.keepPicture(file));
      this.wrong.set('');
      this.take(file.name, id);
    } catch (error) {
      this.wrong.set(error instanceof ApiError ? `“${file.name}”: ${error.say}` : 'It could not be brought in.');
    }
  }

  private take(fileName: string, media: string): void {
    const own = this.state.view()?.pictures ?? [];
    const known = own.find((picture) => picture.media === media);
    if (!known && own.length >= PICTURES_MOST) return this.wrong.set(`A theme has at most ${PICTURES_MOST} pictures of its own.`);
    const picture: Picture = known ?? { name: nameFor(fileName, new Set([...own, ...pictures].map(({ name }) => name))), media };
    if (!known) this.state.bringPicture?.(picture);
    this.changed.emit(picture.name);
  }
}

/** A name for values from a file's name: lower-case letters, digits and hyphens. */
function nameFor(fileName: string, taken: ReadonlySet<string>): string {
  const plain = fileName
    .replace(/\.[^.]*$/, '')
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^[^a-z]+|-+$/g, '')
    .slice(0, 30);
  const name = plain || 'picture';
  return [name, ...Array.from({ length: 100 }, (_, i) => `${name}-${i + 2}`)].find((each) => !taken.has(each)) ?? `${name}-new`;
}
