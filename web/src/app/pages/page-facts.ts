import { ChangeDetectionStrategy, Component, computed, input, output, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatCheckboxModule } from '@angular/material/checkbox';
import { languageProblem } from '../../../../core/data-types';
import type { HouseDark } from '../../../../core/house';
import { languages } from '../../../../core/languages';
import { pageSchema, schemes, type Page, type Scheme } from '../../../../core/page';

/** What is said of a page itself, and not of what stands on it. */
export type PageFact = Partial<Pick<Page, 'slug' | 'title' | 'description' | 'inMenu' | 'wide' | 'language' | 'scheme'>>;

/** A page's address, what browsers and search engines show of it, its language, and how it stands on its site. */
@Component({
  selector: 'zest-page-facts',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButtonModule, MatCheckboxModule],
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
  /** How the house stylesheet goes dark; undefined where it does not. */
  readonly houseDark = input<HouseDark>();
  /** How the site's tables go with dark, where a page does not say. */
  readonly siteScheme = input<Scheme>();
  /** The class or attribute by which the site is dark. */
  readonly siteMark = input<string>();
  protected readonly scheme = computed(() => this.page().scheme ?? this.siteScheme() ?? 'light');
  /** What the page's tables do in the dark beside what the page does. */
  protected readonly darkNote = computed(() => {
    const [scheme, house] = [this.scheme(), this.houseDark()];
    if (scheme === 'light' && house)
      return house.mark === undefined
        ? `The house stylesheet goes dark where the visitor has it dark (${house.by}), and the tables on this page stay bright.`
        : `The house stylesheet is dark where its root or body has ${house.mark}, and the tables on this page stay bright.`;
    if (scheme === 'follows' && house?.mark !== undefined && house.mark !== this.siteMark())
      return `The house stylesheet is dark where its root or body has ${house.mark}; the tables go by ${this.siteMark() ?? 'the visitor’s setting'}. What they go by is said where the house stylesheet is chosen.`;
    if (scheme === 'follows' && !house)
      return 'The house stylesheet has no dark of its own: where the visitor has it dark, these tables are dark on a bright page.';
    return '';
  });
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
