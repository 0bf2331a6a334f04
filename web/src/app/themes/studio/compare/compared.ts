import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import type { ThemeChange } from '../../../../../../core/edit';
import type { Table } from '../../../../../../core/table';
import type { ThemeView } from '../../../../../../core/theme';
import { Dressed } from '../../../controls/dressed/dressed';

/** One state of a theme: what it is called here, and how it looks. */
export interface Side {
  readonly name: string;
  /** Its name above a picture, where that is longer. */
  readonly title?: string;
  readonly view: ThemeView | undefined;
}

/** Two states of a theme, in pictures and value by value. */
@Component({
  selector: 'zest-compared',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Dressed, MatButtonModule],
  template: `
    <div class="pair">
      @for (side of sides(); track side.name) {
        <figure>
          <figcaption>{{ side.title ?? side.name }}</figcaption>
          <zest-dressed [view]="side.view" [table]="table()" [scale]="0.6" />
        </figure>
      }
    </div>
    @if (changes().length === 0) {
      <p><ng-content /></p>
    } @else {
      <table [attr.aria-label]="label()">
        <thead>
          <tr>
            <th scope="col">What</th>
            @for (side of sides(); track side.name) {
              <th scope="col">{{ side.name }}</th>
            }
            @if (goesBack()) {
              <td></td>
            }
          </tr>
        </thead>
        <tbody>
          @for (change of changes(); track change.what) {
            <tr>
              <th scope="row">{{ change.what }}</th>
              @for (text of [change.before, change.after]; track $index) {
                <td>
                  <code>{{ text ?? 'from above' }}</code>
                </td>
              }
              @if (goesBack()) {
                <td>
                  @if (change.place) {
                    <button mat-button type="button" [attr.aria-label]="'Put back ' + change.what" (click)="back.emit(change)">Put back</button>
                  }
                </td>
              }
            </tr>
          }
        </tbody>
      </table>
    }
  `,
  styleUrl: './compared.scss',
})
export class Compared {
  /** Name of the table of changes. */
  readonly label = input.required<string>();
  readonly sides = input.required<readonly [Side, Side]>();
  readonly table = input.required<Table>();
  readonly changes = input.required<readonly ThemeChange[]>();
  /** Whether each value can be put back to what it was on the first side. */
  readonly goesBack = input(false);
  readonly back = output<ThemeChange>();
}
