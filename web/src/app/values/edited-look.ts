import type { Signal } from '@angular/core';
import type { Picture, ThemeView } from '../../../../core/theme';

/** What the editors of values know of the theme in whose words they write: its swatches, steps and pictures. */
export abstract class EditedLook {
  abstract readonly view: Signal<ThemeView | undefined>;
  /** Adds a picture to the theme. Missing where the theme is only used: there its pictures and the shelf's are all. */
  readonly bringPicture?: (picture: Picture) => void;
}
