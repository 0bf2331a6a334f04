import { ChangeDetectionStrategy, Component } from '@angular/core';
import { RouterLink } from '@angular/router';

@Component({
  selector: 'zest-not-here',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [RouterLink],
  template: `<div class="zest-view">
    <h1>Not here</h1>
    <p>There is nothing at this address. <a routerLink="/themes">Go to the themes</a>.</p>
  </div>`,
})
export class NotHere {}
