import { propertyOf, type ThemeView } from '../../../theme';
import { selectorOf, type TextLook } from '../../markup/text-looks';
import { rule, type CssNode } from '../../sheet/stylesheet';

/** `colour` is what a colour comes to; one that is not known leaves the text as it is around it. */
function ruleOf(look: TextLook, within: string, colour: (text: string) => string | undefined): readonly CssNode[] {
  const selector = `${within}${selectorOf(look)}`;
  if (look.kind === 'picture') return [rule(selector, ['height', `${look.is}px`], ['max-height', 'none'], ['width', 'auto'])];
  const css = colour(look.is);
  if (css === undefined) return [];
  // What is highlighted keeps its ink, which the browser would make black.
  return [look.kind === 'ink' ? rule(selector, ['color', css]) : rule(selector, ['background-color', css], ['color', 'inherit'])];
}

/** Marked text in tables that has a look of its own. */
export const textLookRules = (view: ThemeView, looks: readonly TextLook[], theme: string): readonly CssNode[] =>
  looks.flatMap((look) =>
    ruleOf(look, `.${theme} `, (text) => {
      const read = view.read(propertyOf('ink'), text);
      return read.ok ? read.value.css : undefined;
    }),
  );

/** The same for texts of a page. `colourOf` is what a colour comes to there: one of CSS, or a swatch of a theme on the page. */
export const pageTextRules = (looks: readonly TextLook[], colourOf: (text: string) => string | undefined): readonly CssNode[] =>
  looks.flatMap((look) => ruleOf(look, 'p ', colourOf));
