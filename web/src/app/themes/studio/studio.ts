import { ChangeDetectionStrategy, Component, type ElementRef, type OnInit, computed, effect, inject, input, signal, viewChild } from '@angular/core';
import { BreakpointObserver } from '@angular/cdk/layout';
import { NgTemplateOutlet } from '@angular/common';
import { toSignal } from '@angular/core/rxjs-interop';
import { MatButtonModule } from '@angular/material/button';
import { MatDialog } from '@angular/material/dialog';
import { MatIconModule } from '@angular/material/icon';
import { MatMenuModule } from '@angular/material/menu';
import { MatSnackBar } from '@angular/material/snack-bar';
import { MatTooltipModule } from '@angular/material/tooltip';
import { Router, RouterLink } from '@angular/router';
import type { Stretch } from '../../../../../core/fit';
import { NO_EXTRA, bundles, conditionNames, countValues, idIn, modeNames, partNames, partOf, propertyNames } from '../../../../../core/theme';
import { Name } from '../../controls/rename';
import { Ruler } from '../../controls/ruler';
import { UndoRedo } from '../../controls/undo-redo';
import { followRoom } from '../../controls/follow-room';
import { ThemeDrafts } from '../../documents/theme-drafts';
import { OpenDocument } from '../../documents/open-document';
import { CssTold } from '../../controls/css/css-told';
import { ExtraCss } from './extra/extra-css';
import { Anatomy } from './specimen/anatomy';
import { FitPanel } from './widths/fit-panel';
import { Ledger } from './ledger/ledger';
import { Specimen } from './specimen/specimen';
import { hardSpecimens } from './specimen/specimens';
import { EditedLook } from '../../values/edited-look';
import { StudioState } from './studio-state';
import { Swatches } from './palette/swatches';
import { ModeSpecimens } from './specimen/mode-specimens';
import { ThreeSpecimens } from './specimen/three-specimens';
import { TypeScalePanel } from './palette/type-scale';
import { Unreadable } from './ledger/unreadable';
import { Why } from './ledger/why';
import { Modes } from './widths/modes';
import { WidthSteps } from './widths/width-steps';
import { Sprouting } from '../sprouting';
import { ThemeViews } from '../../controls/dressed/theme-views';
import { firstValueFrom } from 'rxjs';
import { deriveDark, saveInk } from '../../../../../core/dark';
import { changesBetween, laterVersion } from '../../../../../core/edit';
import type { Theme } from '../../../../../core/theme';
import type { Moved, Moving } from './compare/base-dialog';

@Component({
  selector: 'zest-studio',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    Anatomy,
    CssTold,
    ExtraCss,
    FitPanel,
    Ledger,
    MatButtonModule,
    MatIconModule,
    MatMenuModule,
    MatTooltipModule,
    Name,
    NgTemplateOutlet,
    RouterLink,
    Ruler,
    Specimen,
    Swatches,
    ModeSpecimens,
    ThreeSpecimens,
    TypeScalePanel,
    UndoRedo,
    Unreadable,
    Why,
    Modes,
    WidthSteps,
  ],
  providers: [OpenDocument, StudioState, { provide: EditedLook, useExisting: StudioState }],
  templateUrl: './studio.html',
  styleUrl: './studio.scss',
  host: { '(document:keydown)': 'look($event)', '(document:keyup)': 'look($event)' },
})
export class Studio implements OnInit {
  protected readonly state = inject(StudioState);
  private readonly router = inject(Router);
  private readonly dialog = inject(MatDialog);
  private readonly views = inject(ThemeViews);
  private readonly snackBar = inject(MatSnackBar);
  private readonly sprouting = inject(Sprouting);
  protected readonly hard = hardSpecimens;
  protected readonly none = NO_EXTRA;
  protected readonly columns = signal(true);
  protected readonly shown = computed(() => {
    const theme = this.state.theme();
    return (this.state.earlier()?.view ?? (theme && this.views.of(theme)))?.in(this.state.mode());
  });
  readonly id = input.required<string>();
  /** From the address: the part, condition and property that a link points at. */
  readonly part = input<string>();
  readonly condition = input<string>();
  readonly property = input<string>();
  readonly step = input<string>();
  readonly mode = input<string>();
  /** A line of the theme's extra CSS, in place of a value. */
  readonly line = input<string>();

  /** As in studio.scss: the parts of the studio stand one below the other. */
  private readonly narrowView = toSignal(inject(BreakpointObserver).observe('(max-width: 900px)'));
  protected readonly narrow = computed(() => this.narrowView()?.matches ?? false);

  readonly width = this.state.wanted;
  readonly room = this.state.room;
  /** The end of the ruler: beyond the widest step, so that what holds above it can be seen. */
  protected readonly most = computed(() => Math.max(this.room(), this.state.width()));
  protected readonly marks = computed(() => {
    return this.state.view()?.steps.map(({ width }) => width) ?? [];
  });
  /** Whether the specimen is seen in three containers at once, or in each of its modes. */
  protected readonly beside = signal<'widths' | 'modes' | ''>('');
  /** How the specimen does at each width. */
  protected readonly bands = signal<readonly Stretch[]>([]);
  private readonly stage = viewChild<ElementRef<HTMLElement>>('stage');

  constructor() {
    effect(() => {
      const [part, condition, property] = [this.state.part(), this.state.condition(), this.state.row()];
      const [step, mode] = [this.state.step() || null, this.state.mode() || null];
      void this.router.navigate([], { queryParams: { part, condition, property, step, mode }, replaceUrl: true });
    });
    followRoom(this.stage, () => (this.narrow() ? 132 : 152), this);
  }

  private asked: string | undefined;
  ngOnInit(): void {
    this.asked = this.step();
    const part = partNames.find((name) => name === this.part());
    if (part) this.state.pick(part);
    const condition = conditionNames.find((name) => name === this.condition());
    if (condition && partOf(this.state.part()).conditions.includes(condition)) this.state.condition.set(condition);
    const row = [...propertyNames, ...bundles.map(({ name }) => name)].find((name) => name === this.property());
    if (row) this.state.row.set(row);
    if (/^\d{1,5}$/.test(this.line() ?? '')) this.state.goToLine(Number(this.line()));
    this.state.mode.set(modeNames.find((name) => name === this.mode()) ?? '');
    void this.state.open(this.id()).then(() => this.state.goToStep(this.stepAsked()));
  }

  /** The step that the address names, if the theme has it. */
  private stepAsked(): string {
    return this.state.view()?.steps.find(({ name }) => name === this.asked)?.name ?? '';
  }

  /** What the theme grows from: its name, and its id where it is a theme that can be opened. */
  protected readonly ground = computed(() => {
    const chain = this.state.view()?.chain;
    const below = chain?.[1];
    const id = chain && below && idIn(chain, below);
    return { name: below?.name ?? 'nothing', id: below?.base ? id : undefined };
  });
  /** Whether it grows from something that itself stands on something. */
  protected readonly canDetach = computed(() => (this.state.view()?.chain.length ?? 0) > 2);
  /** How much it says itself; that there is a later version of its starter stands in its place. */
  protected about(): string {
    const view = this.state.view();
    if (!view || this.later() !== undefined) return '';
    const own = countValues(view.theme);
    if (own === 0) return '';
    return own === 1 ? ', 1 value its own' : `, ${own} values its own`;
  }

  /** Number of a later version of what it grows from, if there is one. */
  protected readonly later = computed(() => {
    const theme = this.state.theme();
    return theme && laterVersion(theme);
  });
  /** Gives the theme another ground, once it has been seen what that changes. */
  protected async move(to: Moving['to']): Promise<void> {
    const [theme, session] = [this.state.theme(), this.state.session()];
    if (!theme || !session) return;
    const { BaseDialog } = await import('./compare/base-dialog');
    const data: Moving = { id: session.id, theme, to, table: this.state.table() };
    const moved = await firstValueFrom(
      this.dialog.open<InstanceType<typeof BaseDialog>, Moving, Moved>(BaseDialog, { width: '1080px', maxWidth: '96vw', data }).afterClosed(),
    );
    if (moved) this.state.change(moved.label, '', moved.make);
  }

  /** Makes the dark mode anew from what the theme is where it is bright, and shows it. */
  protected deriveDark(): void {
    const view = this.state.view();
    if (!view) return;
    if (!deriveDark(view)) {
      this.snackBar.open('It is dark already: there is nothing to derive.', 'Good');
      return;
    }
    this.state.mode.set('dark');
    this.state.change('derive the dark mode', '', (theme, each) => deriveDark(each) ?? theme);
  }

  /** What a step changed, in the words of the comparison. */
  protected inWords = (before: Theme, after: Theme): string => {
    const changes = changesBetween(this.views.of(before), this.views.of(after));
    const told = changes.slice(0, 2).map(({ what, before: was, after: is }) => `${what}: ${was ?? 'not set'} → ${is ?? 'not set'}`);
    return [...told, ...(changes.length > 2 ? [`and ${changes.length - 2} more`] : [])].join('; ');
  };

  /** Makes the print mode save ink, and shows it. */
  protected saveInk(): void {
    this.state.mode.set('print');
    this.state.change('save ink in print', '', (_theme, view) => saveInk(view));
  }

  /** Makes a theme that grows from this one, and opens it. */
  protected async grow(): Promise<void> {
    const [theme, session] = [this.state.theme(), this.state.session()];
    if (theme && session) await this.sprouting.from({ id: session.id, document: theme });
  }

  protected async compare(): Promise<void> {
    const session = this.state.session();
    if (!session) return;
    const { CompareDialog } = await import('./compare/compare-dialog');
    this.dialog.open(CompareDialog, { width: '1180px', maxWidth: '96vw', data: { state: this.state, session } });
  }

  /** While F8 is held, the theme is seen as it was when it was opened, or as the comparison last showed it. */
  protected look(event: KeyboardEvent): void {
    if (event.key !== 'F8' || event.repeat) return;
    event.preventDefault();
    this.state.lookBack(event.type === 'keydown');
  }

  private readonly drafts = inject(ThemeDrafts);
  protected readonly otherNames = computed(() => {
    const own = this.state.session()?.id;
    return this.drafts.all().flatMap(({ id, document }) => (id === own ? [] : [document.name]));
  });
  protected rename(name: string): void {
    this.state.change('rename the theme', 'name', (theme) => ({ ...theme, name }));
  }
}
