import type { Measure, TypeSetting } from '../../../../core/fit';

/** A text and how it is set, whose width is asked for. */
export type Wanted = readonly [text: string, type: TypeSetting];
/** A width that is known otherwise: a canvas sets only the figures and capitals that a font has by itself. */
export type Known = (text: string, type: TypeSetting) => number | undefined;

/** Measures text with a canvas, which sets it as the page does; each text once. Its fonts have to be loaded. */
export function canvasMeasure(context: OffscreenCanvasRenderingContext2D, pageFamily: string, known: Known = () => undefined): Measure {
  const measured = new Map<string, number>();
  // So that letters are set close over a space too, as in a document.
  context.textRendering = 'optimizeLegibility';
  let set = '';
  return (text, type) => {
    const other = type.figures === 'normal' && type.caps === 'normal' ? undefined : known(text, type);
    if (other !== undefined) return other;
    const font = fontOf(type, pageFamily);
    const key = `${font}|${type.spacing}|${text}`;
    const before = measured.get(key);
    if (before !== undefined) return before;
    if (set !== font) context.font = set = font;
    context.letterSpacing = `${type.spacing}px`;
    const { width } = context.measureText(text);
    if (measured.size > 200_000) measured.clear();
    measured.set(key, width);
    return width;
  };
}

/** How a type names its font, as CSS writes it. */
export const fontOf = ({ family, size, weight, isItalic }: TypeSetting, pageFamily: string): string =>
  `${isItalic ? 'italic ' : ''}${weight} ${size}px ${family === '' ? pageFamily : family}`;
