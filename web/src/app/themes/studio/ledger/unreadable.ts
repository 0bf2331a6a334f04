import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { debounceTime, map } from 'rxjs';
import { placeInWords, setValue } from '../../../../../../core/edit';
import { unreadableByMode, unreadableInks, type UnreadableInk } from '../../../../../../core/paint';
import { modeOf, placeAt, type Place } from '../../../../../../core/theme';
import { UnreadableList, type UnreadableText } from '../../../controls/unreadable-list';
import { StudioState } from '../studio-state';

/** Where an ink is mended: where it is set or, where it is the page's own, for the whole table. */
const placeOf = ({ place }: UnreadableInk): Place => place ?? { part: 'table', condition: 'rest' };
const keyOf = (found: UnreadableInk): string => `${placeOf(found).part} ${placeOf(found).condition}`;

/** Every ink of the theme that cannot be read as it is looked at: a change at one place may spoil what is set at others. */
@Component({
  selector: 'zest-unreadable',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButtonModule, UnreadableList],
  template: `
    <zest-unreadable-list [texts]="texts()" (went)="go($event)" (mended)="mend($event)" />
    @for (each of elsewhere(); track each.mode) {
      <p>
        {{ each.say }}
        <button mat-button type="button" (click)="state.mode.set(each.mode)">{{ each.go }}</button>
      </p>
    }
  `,
  styles: `
    p {
      margin: 0 0 8px;
    }
  `,
})
export class Unreadable {
  protected readonly state = inject(StudioState);
  /** Told a moment after a change: it takes every condition of every part together. */
  private readonly found = toSignal(
    toObservable(this.state.view).pipe(
      debounceTime(200),
      map((view) => (view ? unreadableInks(view) : [])),
    ),
    { initialValue: [] },
  );
  /** What cannot be read in other modes: before the theme is published, all of them count. The system sees to its own colours. */
  protected readonly elsewhere = toSignal(
    toObservable(this.state.view).pipe(
      debounceTime(400),
      map((view) => {
        if (!view) return [];
        return unreadableByMode(view).flatMap(({ mode, inks: { length: count } }) => {
          const words = mode === '' ? 'Where it is bright' : modeOf(mode).words.replace(/^./, (first) => first.toUpperCase());
          const say = `${words}, ${count === 1 ? '1 ink cannot be read' : `${count} inks cannot be read`}.`;
          return mode === view.mode ? [] : [{ mode, say, go: `Look ${mode === '' ? 'at it bright' : modeOf(mode).words}` }];
        });
      }),
    ),
    { initialValue: [] },
  );
  protected readonly texts = computed(() =>
    this.found().map((found): UnreadableText => ({
      key: keyOf(found),
      where: placeInWords(placeOf(found)),
      ratio: found.worst.ratio,
      needed: found.worst.needed,
      times: found.failing < found.cases ? `, in ${found.failing} of ${found.cases} cases` : '',
      ink: found.ink,
    })),
  );

  protected go(key: string): void {
    const found = this.found().find((each) => keyOf(each) === key);
    if (found) this.state.goTo(placeAt(placeOf(found), this.state.step(), this.state.mode()), 'ink');
  }
  protected mend(keys: readonly string[]): void {
    const all = this.found().filter((each) => keys.includes(keyOf(each)) && each.ink !== undefined);
    this.state.change(all.length === 1 ? 'mend an ink' : `mend ${all.length} inks`, '', (theme, view) =>
      all.reduce((each, found) => setValue(each, placeAt(placeOf(found), view.step, view.mode), 'ink', found.ink ?? ''), theme),
    );
  }
}
