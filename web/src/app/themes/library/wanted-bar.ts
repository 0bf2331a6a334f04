import { ChangeDetectionStrategy, Component, computed, input, model } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { parseColour, toHex } from '../../../../../core/colour';
import { lookNames, type LookName, type UseAsked, type Wanted } from '../../../../../core/shelf';

const uses: readonly (readonly [UseAsked, string])[] = [
  ['', 'Used or not'],
  ['live', 'On live pages'],
  ['tables', 'By tables'],
  ['data', 'By tables: data'],
  ['pricing', 'By tables: pricing'],
  ['dashboard', 'By tables: dashboard'],
  ['nowhere', 'Nowhere'],
];

/** What is looked for in the library beside words: collection, use, font, a colour near one, looks and tags. */
@Component({
  selector: 'zest-wanted-bar',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButtonModule],
  template: `
    <div class="line">
      @if (collections().length > 0) {
        <label
          >Collection
          <select class="zest-field" (change)="collect($any($event.target).value)">
            <option value="?" [selected]="wanted().collection === undefined">Any</option>
            @for (each of collections(); track each) {
              <option [value]="each" [selected]="wanted().collection === each">{{ each }}</option>
            }
            <option value="" [selected]="wanted().collection === ''">In none</option>
          </select>
        </label>
      }
      <label
        >Used
        <select class="zest-field" (change)="change({ use: $any($event.target).value })">
          @for (each of uses; track each[0]) {
            <option [value]="each[0]" [selected]="wanted().use === each[0]">{{ each[1] }}</option>
          }
        </select>
      </label>
      <label
        >Font
        <select class="zest-field" (change)="change({ font: $any($event.target).value })">
          <option value="" [selected]="wanted().font === ''">Any</option>
          @for (each of fonts(); track each) {
            <option [value]="each" [selected]="wanted().font === each">{{ each }}</option>
          }
        </select>
      </label>
      <label
        >A colour near
        <input class="zest-field colour" placeholder="#1d6b8f" spellcheck="false" [value]="near()" (change)="takeNear($any($event.target).value)" />
      </label>
      <input class="pick" type="color" aria-label="Pick the colour" [value]="near() || '#1d6b8f'" (change)="takeNear($any($event.target).value)" />
    </div>
    <div class="line" role="group" aria-label="Looks">
      @for (each of lookNames; track each.name) {
        <button type="button" class="zest-choice" [attr.aria-pressed]="wanted().looks.includes(each.name)" (click)="toggleLook(each.name)">
          {{ each.label }}
        </button>
      }
    </div>
    @if (tags().length > 0) {
      <div class="line" role="group" aria-label="Tags">
        @for (each of tags(); track each) {
          <button type="button" class="zest-choice" [attr.aria-pressed]="wanted().tags.includes(each)" (click)="toggleTag(each)">{{ each }}</button>
        }
      </div>
    }
  `,
  styles: `
    :host {
      display: grid;
      gap: 8px;
      padding: 10px 20px;
      border-block-end: 1px solid var(--zest-line);
      background: var(--zest-bench);
    }
    .line {
      display: flex;
      flex-wrap: wrap;
      gap: 6px 8px;
      align-items: center;
    }
    label {
      display: flex;
      align-items: center;
      gap: 6px;
      margin-inline-end: 8px;
      color: var(--zest-soft);
    }
    .colour {
      width: 96px;
      font-family: var(--zest-mono);
    }
    .pick {
      width: 32px;
      height: 28px;
      padding: 0;
      border: 1px solid var(--zest-edge);
      border-radius: 6px;
      background: none;
    }
  `,
})
export class WantedBar {
  readonly wanted = model.required<Wanted>();
  readonly collections = input.required<readonly string[]>();
  readonly tags = input.required<readonly string[]>();
  readonly fonts = input.required<readonly string[]>();
  protected readonly uses = uses;
  protected readonly lookNames = lookNames;
  protected readonly near = computed(() => {
    const { near } = this.wanted();
    return near ? toHex(near) : '';
  });

  protected change(some: Partial<Wanted>): void {
    this.wanted.update((wanted) => ({ ...wanted, ...some }));
  }
  protected collect(name: string): void {
    this.change({ collection: name === '?' ? undefined : name });
  }
  protected takeNear(text: string): void {
    this.change({ near: parseColour(text) });
  }
  protected toggleLook(name: LookName): void {
    const { looks } = this.wanted();
    this.change({ looks: looks.includes(name) ? looks.filter((each) => each !== name) : [...looks, name] });
  }
  protected toggleTag(name: string): void {
    const { tags } = this.wanted();
    this.change({ tags: tags.includes(name) ? tags.filter((each) => each !== name) : [...tags, name] });
  }
}
