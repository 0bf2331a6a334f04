import { ChangeDetectionStrategy, Component } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatIconModule } from '@angular/material/icon';
import { RouterLink } from '@angular/router';
import { emptyPage, slugOf, tablesOn } from '../../../../core/page';
import { askName } from '../controls/name-dialog';
import type { KeptPage } from '../documents/api';
import { Library } from '../documents/library';
import { When } from '../controls/when';

@Component({
  selector: 'zest-page-library',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [When, MatButtonModule, MatIconModule, RouterLink],
  template: `
    <div class="zest-bar">
      <h1>Pages</h1>
      <span class="zest-note">{{ count() }}</span>
      <span class="fill"></span>
      <a mat-button routerLink="/pages/house">House stylesheet</a>
      <button mat-flat-button (click)="create()">New page</button>
    </div>
    <div class="zest-view">
      @if (loaded() && items().length === 0) {
        <p>No pages yet. <button mat-stroked-button (click)="create()">Make the first one</button></p>
      }
      <ul aria-label="Pages">
        @for (page of items(); track page.id) {
          <li>
            <div class="names">
              <a [routerLink]="['/pages', page.id]">{{ page.document.name }}</a>
              <p class="zest-note">{{ about(page) }}</p>
            </div>
            @if (page.live; as live) {
              <a class="live" [href]="'/site/' + live.slug" target="_blank" rel="noopener">/site/{{ live.slug }}</a>
              <span class="zest-note">published {{ live.publishedAt | when }}</span>
            } @else {
              <span class="zest-note">not published</span><span></span>
            }
            <button mat-icon-button (click)="remove(page)" [attr.aria-label]="'Delete ' + page.document.name"><mat-icon svgIcon="delete" /></button>
          </li>
        }
      </ul>
    </div>
  `,
  styles: `
    ul {
      list-style: none;
      margin: 0;
      padding: 0;
      max-width: 860px;
    }
    li {
      display: grid;
      grid-template-columns: minmax(0, 1fr) 190px 190px 40px;
      gap: 16px;
      align-items: center;
      padding: 10px 12px;
      background: var(--zest-card);
      border: 1px solid var(--zest-line);
      border-block-end-width: 0;
    }
    li:first-child {
      border-radius: 12px 12px 0 0;
    }
    li:last-child {
      border-radius: 0 0 12px 12px;
      border-block-end-width: 1px;
    }
    li:only-child {
      border-radius: 12px;
    }
    .names a {
      font: 700 15px/1.3 var(--zest-display);
      text-decoration: none;
    }
    .names a:hover {
      text-decoration: underline;
    }
    @media (max-width: 800px) {
      li {
        grid-template-columns: minmax(0, 1fr) 40px;
        gap: 4px 16px;
      }
      li > button {
        grid-area: 1 / 2 / span 3;
      }
    }
    .live {
      font-family: var(--zest-mono);
      overflow: hidden;
      text-overflow: ellipsis;
      white-space: nowrap;
    }
    p {
      margin: 0;
    }
  `,
})
export class PageLibrary extends Library<'pages', KeptPage> {
  protected readonly kind = 'pages';
  protected readonly ask = this.api.pages;

  constructor() {
    super();
    void this.load();
  }

  protected said = ({ document }: KeptPage): readonly string[] => [document.name, document.slug];

  protected about({ document }: KeptPage): string {
    const tables = tablesOn(document).length;
    const blocks = document.blocks.length === 1 ? '1 block' : `${document.blocks.length} blocks`;
    return `${blocks}, ${tables === 1 ? '1 table' : `${tables} tables`}`;
  }

  protected async create(): Promise<void> {
    await askName(this.dialog, { title: 'New page', name: '', action: 'Create page', keep: (name) => this.make(name) });
  }
  private make(name: string): Promise<boolean> {
    const slugs = new Set(this.items().map(({ document }) => document.slug));
    const slug =
      [slugOf(name), ...Array.from({ length: 500 }, (_, i) => `${slugOf(name).slice(0, 55)}-${i + 2}`)].find((each) => !slugs.has(each)) ??
      slugOf(name);
    return this.begin(emptyPage(name, slug));
  }
}
