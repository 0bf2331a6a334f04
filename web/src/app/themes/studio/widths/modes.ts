import { ChangeDetectionStrategy, Component, computed, inject, model } from '@angular/core';
import { modeIn, modeNames, modes, type ModeName } from '../../../../../../core/theme';
import { StudioState } from '../studio-state';

/** The mode that the theme is looked at and set in; or all of them to be looked at side by side, while what is set stays in the last one. */
@Component({
  selector: 'zest-modes',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <label
      >Mode
      <select class="zest-field" [title]="about()" (change)="choose($any($event.target).value)">
        <option value="" [selected]="!beside() && state.mode() === ''">Bright</option>
        @for (mode of all(); track mode.name) {
          <option [value]="mode.name" [selected]="!beside() && state.mode() === mode.name">{{ mode.label }}{{ mode.count }}</option>
        }
        <option value="beside" [selected]="beside()">All, side by side</option>
      </select>
    </label>
  `,
  styles: `
    label {
      display: flex;
      align-items: center;
      gap: 6px;
      color: var(--zest-soft);
    }
    select {
      width: auto;
    }
  `,
})
export class Modes {
  protected readonly state = inject(StudioState);
  /** Whether the specimen is seen in all of them. */
  readonly beside = model(false);

  protected readonly all = computed(() => {
    const theme = this.state.theme();
    return modes.map(({ name, label }) => {
      const own = theme && modeIn(theme, name);
      const values = Object.values(own?.values ?? {})
        .flatMap((part) => Object.values(part))
        .reduce((sum, each) => sum + Object.keys(each).length, own?.swatches?.length ?? 0);
      return { name, label, count: values === 0 ? '' : `, ${values} set` };
    });
  });
  protected readonly about = computed(() => {
    const mode = modes.find(({ name }) => name === this.state.mode());
    return mode ? `What is set here holds ${mode.about}.` : 'What is set here holds in every mode.';
  });

  protected choose(name: string): void {
    this.beside.set(name === 'beside');
    if (this.beside()) return;
    const mode: ModeName | '' = modeNames.find((each) => each === name) ?? '';
    this.state.mode.set(mode);
  }
}
