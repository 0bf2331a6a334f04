import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';
import { families, fonts } from '../../../../core/theme';

/** A font, each with a sample in itself. */
@Component({
  selector: 'zest-font-editor',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <ul aria-label="Fonts">
      @for (font of list; track font.name) {
        <li>
          <button type="button" [attr.aria-pressed]="font.name === text()" (click)="changed.emit(font.name)">
            <span class="name">{{ font.name }}</span>
            <span class="zest-note">{{ font.label }}{{ font.shipped ? '' : ', no file' }}</span>
            <span class="sample" [style.font-family]="font.stack">{{
              font.name.includes('naskh') || font.name === 'vazirmatn' ? 'Fare ٦٫٥٠ ليلي' : 'Night boats 18:35 £6.50'
            }}</span>
          </button>
        </li>
      }
    </ul>
  `,
  styles: `
    ul {
      list-style: none;
      margin: 0;
      padding: 0;
      width: 300px;
      max-height: 320px;
      overflow: auto;
    }
    button {
      all: unset;
      display: grid;
      grid-template-columns: auto 1fr;
      column-gap: 10px;
      padding: 5px 8px;
      border-radius: 6px;
      cursor: pointer;
      width: calc(100% - 16px);
    }
    button:hover {
      background: var(--zest-bench);
    }
    button:focus-visible {
      outline: 2px solid var(--zest-zest);
      outline-offset: -2px;
    }
    button[aria-pressed='true'] {
      background: var(--zest-glow);
    }
    .name {
      font-weight: 600;
    }
    .sample {
      grid-column: 1 / -1;
      font-size: 16px;
      line-height: 1.3;
      white-space: nowrap;
      overflow: hidden;
    }
  `,
})
export class FontEditor {
  readonly text = input.required<string>();
  readonly changed = output<string>();
  protected readonly list = [
    { name: 'page', label: 'The page’s own', stack: 'inherit', shipped: false },
    ...fonts.map((font) => ({ ...font, shipped: families.some(({ name }) => name === font.name) })),
  ];
}
