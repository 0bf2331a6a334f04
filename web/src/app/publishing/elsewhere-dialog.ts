import { Clipboard } from '@angular/cdk/clipboard';
import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MAT_DIALOG_DATA, MatDialogModule } from '@angular/material/dialog';
import { allowance, contract, readElementName, snippet, type Snippet, type SnippetForm } from '../../../../core/compile';
import { elsewhereAddress } from '../../../../core/page';

/** What the dialog shows: where the placement is served, and its table as plain HTML. */
export interface PuttingElsewhere {
  readonly snippet: Snippet;
  readonly html: string;
  readonly neighbour: string | null;
}

/** The lines with which a placement stands on another site, in either form. */
@Component({
  selector: 'zest-elsewhere-dialog',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButtonModule, MatDialogModule],
  templateUrl: './elsewhere-dialog.html',
  styles: `
    fieldset {
      border: 0;
      margin: 0 0 12px;
      padding: 0;
      display: grid;
      grid-template-columns: repeat(auto-fit, minmax(240px, 1fr));
      gap: 8px 16px;
    }
    .form {
      display: flex;
      gap: 8px;
      align-items: flex-start;
    }
    .unseen {
      position: absolute;
      clip-path: inset(50%);
    }
    .code {
      font-family: var(--zest-mono);
      font-size: 12px;
      overflow-wrap: anywhere;
    }
    textarea {
      width: 100%;
      resize: vertical;
      margin-block-end: 10px;
    }
    p {
      margin: 0 0 8px;
    }
    [role='status'] {
      flex: 1;
    }
  `,
})
export class ElsewhereDialog {
  protected readonly data = inject<PuttingElsewhere>(MAT_DIALOG_DATA);
  private readonly clipboard = inject(Clipboard);
  protected readonly forms: readonly { readonly form: SnippetForm; readonly label: string; readonly about: string }[] = [
    {
      form: 'element',
      label: 'As an element',
      about: 'A small script fetches it: look and cells follow at each load, visitors can sort and search, and the other site’s styles stay out.',
    },
    { form: 'plain', label: 'As plain HTML', about: 'No script: a stylesheet from here dresses it, and the look follows at each load.' },
  ];
  protected readonly form = signal<SnippetForm>('element');
  protected readonly element = signal<string>(contract.host);
  protected readonly said = signal('');
  protected readonly address = `${this.data.snippet.origin}${elsewhereAddress(this.data.snippet.page, this.data.snippet.block)}`;
  private readonly name = computed(() => readElementName(this.element()));
  protected readonly wrong = computed(() => {
    const name = this.name();
    return this.form() === 'plain' || name.ok ? '' : `${name.problems[0]?.say ?? ''} ${name.problems[0]?.remedy ?? ''}`;
  });
  protected readonly lines = computed(() => {
    const name = this.name();
    // The link that comes with it names one version of the stylesheet; what is pasted is to follow.
    const html = this.data.html.replace(/^<link[^>]*>\n/, '');
    return snippet({ ...this.data.snippet, element: name.ok ? name.value : undefined }, this.form(), html);
  });
  protected readonly long = computed(() => {
    const { length } = this.lines();
    return length > 20_000 ? `${Math.round(length / 1000).toLocaleString('en')} kB` : '';
  });
  protected readonly allowance = computed(() => allowance(this.data.snippet.origin, this.form()));

  protected copy(): void {
    this.said.set(this.clipboard.copy(this.lines()) ? 'Copied.' : 'The lines could not be copied. Mark them above and copy them by hand.');
  }
}
