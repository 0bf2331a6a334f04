import { Injectable, computed, effect, inject, signal, untracked } from '@angular/core';
import { firstValueFrom } from 'rxjs';
import type { PageInput } from '../../../../../core/compile';
import { cssOf, nameOf, standingOf, type House, type Judgement } from '../../../../../core/house';
import { Deleting } from '../../controls/deleting';
import { Api, type KeptHouse } from '../../documents/api';
import { HouseService } from '../../workers/house';
import type { HouseReading } from '../../workers/house.worker';
import type { Housed } from '../seen/preview';

/** A page in sight and the house stylesheet that it is seen under: read and weighed beside the interface, always for the newest. */
@Injectable()
export class UnderHouse {
  private readonly api = inject(Api);
  private readonly worker = inject(HouseService);
  private readonly deleting = inject(Deleting);

  /** What the site has. */
  readonly kept = signal<KeptHouse | undefined>(undefined);
  /** What is looked at in its place, before it is taken. */
  readonly tried = signal<House | undefined>(undefined);
  readonly page = signal<PageInput | undefined>(undefined);
  readonly house = computed(() => this.tried() ?? this.kept()?.document);
  readonly name = computed(() => nameOf(this.house() ?? { manner: 'plain', name: '', css: '', format: 'zest-house/1' }));
  private readonly source = computed(() => {
    const house = this.house();
    return house ? cssOf(house) : undefined;
  });
  readonly reading = signal<HouseReading | undefined>(undefined);
  private readonly judged = signal<Judgement | undefined>(undefined);
  /** For previews: what pages carry, and what it does to this one. */
  readonly housed = computed<Housed>(() => ({ css: this.reading()?.css ?? '', judgement: this.judged() }));
  readonly standing = computed(() => {
    const [judgement, input] = [this.judged(), this.page()];
    return judgement && input ? standingOf(judgement, input.page) : undefined;
  });
  private isBusy = false;
  private isStale = false;

  constructor() {
    void this.load();
    effect(() => {
      this.source();
      this.page();
      untracked(() => void this.look());
    });
  }

  /** Reads and weighs what is in sight. While that is done, what changes waits: only the newest is looked at next. */
  private async look(): Promise<void> {
    this.isStale = true;
    if (this.isBusy) return;
    this.isBusy = true;
    try {
      while (this.isStale) {
        this.isStale = false;
        const [source, input] = [this.source(), this.page()];
        if (source === undefined) continue;
        this.reading.set(await this.worker.read(source));
        if (input) this.judged.set(await this.worker.judge(source, input));
      }
    } finally {
      this.isBusy = false;
    }
  }

  /** Looks again at what the site has. */
  async load(): Promise<void> {
    const kept = await this.deleting.attempt(() => firstValueFrom(this.api.house()));
    if (kept) this.kept.set(kept);
  }

  /** Gives the site another house stylesheet. */
  async take(house: House): Promise<boolean> {
    const kept = this.kept();
    if (!kept) return false;
    const saved = await this.deleting.attempt(() => firstValueFrom(this.api.saveHouse(kept.revision, house)));
    if (!saved) {
      await this.load();
      return false;
    }
    this.kept.set(saved);
    this.tried.set(undefined);
    return true;
  }
}
