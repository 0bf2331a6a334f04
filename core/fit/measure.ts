/** How a stretch of text is set. */
export interface TypeSetting {
  /** CSS family list; empty for the page's own. */
  readonly family: string;
  /** In px. */
  readonly size: number;
  readonly weight: number;
  readonly isItalic: boolean;
  /** Between letters, in px. */
  readonly spacing: number;
  /** Which figures (CSS Fonts 4, font-variant-numeric); `normal` for those that the font has. */
  readonly figures: string;
  /** Which capitals (CSS Fonts 4, font-variant-caps); `normal` for those that are typed. */
  readonly caps: string;
}

/** Advance width of a text on one line, in px, as the browser sets it. Core asks for it; a worker or a test answers. */
export type Measure = (text: string, type: TypeSetting) => number;
