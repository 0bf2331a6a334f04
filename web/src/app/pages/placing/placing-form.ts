import { ChangeDetectionStrategy, Component, computed, inject, input, linkedSignal, output } from '@angular/core';
import type { Outcome } from '../../../../../core/outcome';
import { readRoom, readWidth, schemes, type Scheme, type TableBlock } from '../../../../../core/page';
import type { Theme } from '../../../../../core/theme';
import { ThemeViews } from '../../controls/dressed/theme-views';
import { placeHolds, widthHolds } from './who-holds';

interface NarrowRoom {
  readonly upTo: number;
  readonly label: string;
  readonly room: string;
}

/** How a placed table stands in its column: its width, where it sits, and the room around it, in narrower windows too. */
@Component({
  selector: 'zest-placing-form',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <label
      >Width
      <input
        class="zest-field"
        list="widths"
        [value]="block().width"
        [attr.aria-invalid]="wrong().field === 'width' ? true : null"
        (change)="setWidth($any($event.target).value)"
    /></label>
    <datalist id="widths">
      <option value="content"></option>
      <option value="fill"></option>
      <option value="bleed"></option>
      <option value="32rem"></option>
      <option value="75%"></option>
    </datalist>
    <p class="zest-wrong" role="alert">{{ wrong().field === 'width' ? wrong().say : '' }}</p>
    @if (widthNote(); as note) {
      <p class="zest-note">{{ note }}</p>
    }
    <label
      >Sits
      <select class="zest-field" (change)="changed.emit({ align: $any($event.target).value })">
        <option value="theme" [selected]="block().align === 'theme'">As its theme says</option>
        <option value="start" [selected]="block().align === 'start'">At the start</option>
        <option value="center" [selected]="block().align === 'center'">In the center</option>
        <option value="end" [selected]="block().align === 'end'">At the end</option>
      </select>
    </label>
    @if (placeNote(); as note) {
      <p class="zest-note">{{ note }}</p>
    }
    <label
      >In the dark
      <select class="zest-field" (change)="setScheme($any($event.target).value)">
        <option value="" [selected]="!block().scheme">As the page says</option>
        <option value="light" [selected]="block().scheme === 'light'">Stays bright</option>
        <option value="follows" [selected]="block().scheme === 'follows'">Is dark where the visitor has it dark</option>
        <option value="dark" [selected]="block().scheme === 'dark'">Is always dark</option>
      </select>
    </label>
    @if (darkNote(); as note) {
      <p class="zest-note">{{ note }}</p>
    }
    <label
      >Room around
      <input
        class="zest-field"
        placeholder="24px 5%"
        [value]="block().room"
        [attr.aria-invalid]="wrong().field === 'room' ? true : null"
        (change)="setRoom($any($event.target).value)"
    /></label>
    <p class="zest-wrong" role="alert">{{ wrong().field === 'room' ? wrong().say : '' }}</p>
    @for (each of narrower(); track each.upTo) {
      <label
        >{{ each.label }}
        <input
          class="zest-field"
          [placeholder]="block().room"
          [value]="each.room"
          [attr.aria-invalid]="wrong().field === each.label ? true : null"
          (change)="setRoomAt(each, $any($event.target).value)"
      /></label>
      <p class="zest-wrong" role="alert">{{ wrong().field === each.label ? wrong().say : '' }}</p>
    }
  `,
  styles: `
    label {
      display: block;
      color: var(--zest-soft);
      margin-block-end: 10px;
    }
    p {
      margin: 0 0 10px;
    }
  `,
})
export class PlacingForm {
  private readonly views = inject(ThemeViews);
  readonly block = input.required<TableBlock>();
  readonly theme = input<Theme>();
  /** How the page's tables go with dark. */
  readonly pageScheme = input<Scheme>();
  readonly changed = output<Partial<TableBlock>>();

  private readonly view = computed(() => {
    const theme = this.theme();
    return theme && this.views.of(theme);
  });
  protected readonly widthNote = computed(() => widthHolds(this.block(), this.view()));
  protected readonly placeNote = computed(() => placeHolds(this.block(), this.view()));
  /** What cannot be read, of another block no more. */
  protected readonly wrong = linkedSignal<string, { readonly field: string; readonly say: string }>({
    source: () => this.block().id,
    computation: () => ({ field: '', say: '' }),
  });
  /** Room at the theme's width steps and, should there be any, at widths of which it has none. */
  protected readonly narrower = computed<readonly NarrowRoom[]>(() => {
    const { roomAt = [] } = this.block();
    const steps = this.view()?.steps ?? [];
    const others = roomAt.filter(({ upTo }) => !steps.some(({ width }) => width === upTo));
    return [
      ...steps.map(({ name, width }) => ({ upTo: width, label: `Room at ${name}, up to ${width}px`, room: roomOf(roomAt, width) })),
      ...others.map(({ upTo, room }) => ({ upTo, label: `Room up to ${upTo}px`, room })),
    ].sort((a, b) => b.upTo - a.upTo);
  });

  protected readonly darkNote = computed(() => {
    const scheme = this.block().scheme ?? this.pageScheme() ?? 'light';
    const view = this.view();
    return scheme !== 'light' && view && !view.modes.includes('dark')
      ? `${view.theme.name} has no dark: it stays bright. Derive one in the studio.`
      : '';
  });
  protected setScheme(typed: string): void {
    this.changed.emit({ scheme: schemes.find((each) => each === typed) });
  }
  protected setWidth(typed: string): void {
    const width = typed.trim().toLowerCase();
    this.check('width', readWidth(width), () => this.changed.emit({ width }));
  }
  protected setRoom(typed: string): void {
    const room = tidied(typed);
    this.check('room', readRoom(room), () => this.changed.emit({ room }));
  }
  /** Nothing typed takes it away: the room of wider windows holds. */
  protected setRoomAt({ upTo, label }: NarrowRoom, typed: string): void {
    const room = tidied(typed);
    const others = (this.block().roomAt ?? []).filter((each) => each.upTo !== upTo);
    const all = room === '' ? others : [...others, { upTo, room }].sort((a, b) => b.upTo - a.upTo);
    const take = (): void => this.changed.emit({ roomAt: all.length === 0 ? undefined : all });
    if (room === '') this.wrong.set({ field: '', say: '' });
    if (room === '') take();
    else this.check(label, readRoom(room), take);
  }
  private check(field: string, read: Outcome<unknown>, take: () => void): void {
    const problem = read.ok ? undefined : read.problems[0];
    this.wrong.set(problem ? { field, say: `${problem.say} ${problem.remedy ?? ''}` } : { field: '', say: '' });
    if (!problem) take();
  }
}

const tidied = (typed: string): string => typed.trim().toLowerCase().replace(/\s+/g, ' ');
const roomOf = (all: NonNullable<TableBlock['roomAt']>, upTo: number): string => all.find((each) => each.upTo === upTo)?.room ?? '';
