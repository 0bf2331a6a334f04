import { Injectable } from '@angular/core';
import { Views, starterBases } from '../../../../../core/theme';

/** Views of themes, for whatever shows one: here it is known what themes grow from. */
@Injectable({ providedIn: 'root' })
export class ThemeViews extends Views {
  constructor() {
    super(starterBases);
  }
}
