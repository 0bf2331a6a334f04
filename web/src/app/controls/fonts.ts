import { faceRule, writeCss } from '../../../../core/compile';
import { facesOf, families } from '../../../../core/theme';

/**
 * The faces of the families that themes can use, for specimens: faces in a shadow root's own sheets do not
 * count, so they stand with the document. A file is fetched when a text in it is shown, not before.
 */
export function registerFonts(): void {
  const sheet = new CSSStyleSheet();
  sheet.replaceSync(
    writeCss(
      families.flatMap((family) => facesOf(family).map((face) => faceRule(face))),
      'compact',
    ),
  );
  document.adoptedStyleSheets = [...document.adoptedStyleSheets, sheet];
}
