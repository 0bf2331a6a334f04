import { ChangeDetectionStrategy, Component, input, output, signal } from '@angular/core';
import { MatCheckboxModule } from '@angular/material/checkbox';
import { languageProblem } from '../../../../core/data-types';
import { languages } from '../../../../core/languages';
import { pageSchema, schemes, type Page, type Scheme } from '../../../../core/page';

/** What is said of a page itself, and not of what stands on it. */
export type PageFact = Partial<Pick<Page, 'slug' | 'title' | 'description' | 'inMenu' | 'wide' | 'language' | 'scheme'>>;

/** A page's address, what browsers and search engines show of it, its language, and how it stands on its site. */
@Component({
  selector: 'zest-page-facts',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatCheckboxModule],
  templateUrl: './page-facts.html',
  styles: `
    label {
      display: block;
      color: var(--zest-soft);
      margin-block-end: 10px;
    }
    p {
      margin: 0 0 10px;
    }
    mat-checkbox {
      display: block;
    }
  `,
})
export class PageFacts {
  readonly page = input.required<Page>();
  readonly changed = output<PageFact>();
  protected readonly languages = languages;
  protected readonly wrong = signal('');
  protected readonly noLanguage = signal('');

  protected setSlug(typed: string): void {
    const slug = typed.trim();
    try {
      pageSchema.validateSync({ ...this.page(), slug }, { strict: true });
    } catch (error) {
      return this.wrong.set((error as Error).message);
    }
    this.wrong.set('');
    this.put({ slug });
  }
  protected speak(typed: string): void {
    const code = typed.trim();
    this.noLanguage.set(languageProblem(code, 'English'));
    if (this.noLanguage() === '') this.put({ language: code || undefined });
  }
  protected schemeIn = (typed: string): Scheme | undefined => schemes.find((each) => each === typed);
  protected put = (fact: PageFact): void => this.changed.emit(fact);
}
