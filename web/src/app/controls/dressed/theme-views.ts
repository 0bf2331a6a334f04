import { Injectable, inject } from '@angular/core';
import { Views, chainOf, starterBases, viewOfChain, type Theme, type ThemeView } from '../../../../../core/theme';
import { ThemeBases } from './theme-bases';

/** Views of themes, for whatever shows one: here it is known what themes grow from. */
@Injectable({ providedIn: 'root' })
export class ThemeViews extends Views {
  private readonly editions = new WeakMap<Theme, ThemeView>();

  constructor() {
    super(inject(ThemeBases));
  }

  /** An edition: on the editions that it stands on, not on what those themes are now. */
  ofEdition(chain: readonly [Theme, ...Theme[]]): ThemeView {
    const known = this.editions.get(chain[0]);
    if (known) return known;
    const [, ...shipped] = chainOf(chain.at(-1) ?? chain[0], starterBases);
    const view = viewOfChain([...chain, ...shipped]);
    this.editions.set(chain[0], view);
    return view;
  }
}
