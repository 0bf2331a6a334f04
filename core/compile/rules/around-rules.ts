import { partOf, places, propertiesOf, propertyOf, type ThemeView, type PartName, type Property, type PropertyName } from '../../theme';
import { declare, type SetValue } from '../sheet/declare';
import { isMeasured, type Felt } from '../sheet/lean';
import { isHeldOpen, pagerGap, thingsOf, type SelectorOptions } from '../sheet/selectors';
import { rule, type CssNode, type Declaration } from '../sheet/stylesheet';

/** What browsers give buttons and links of themselves, levelled, so that only the theme's values are seen. */
const levelled: readonly Declaration[] = [
  ['margin', '0'],
  ['border', '0'],
  ['padding', '0'],
  ['background', 'none'],
  ['color', 'inherit'],
  ['font', 'inherit'],
  ['letter-spacing', 'inherit'],
  ['text-transform', 'inherit'],
  ['text-decoration', 'none'],
];

const isThing = (part: PartName, box: 'content' | 'around'): boolean => partOf(part).box === box;
/** Parts that are levelled, so that what they are told to take from around them they have already. */
const isLevelled = (part: PartName): boolean => part === 'buttons' || part === 'pager-items' || part === 'search-field';

const rest = (part: PartName): { readonly part: PartName; readonly condition: 'rest' } => ({ part, condition: 'rest' });

/** Links, buttons and icons in cells. */
export const contentRules = (view: ThemeView, options: SelectorOptions, felt?: Felt): readonly CssNode[] =>
  thingRules(view, options, 'content', felt);

/** Search bar with its field, info line, empty message and pager. */
export const aroundRules = (view: ThemeView, options: SelectorOptions, felt?: Felt): readonly CssNode[] => [
  ...thingRules(view, options, 'around', felt),
  ...gapRule(view, options, felt),
];

/** A field where nothing is said of it: in its bar's type and ink, with a line in that. */
const fieldAtFirst: readonly Declaration[] = [
  ['font', 'inherit'],
  ['color', 'inherit'],
  ['background', 'none'],
  ['border', '1px solid'],
  ['padding', '.25em .5em'],
];

/** What is said of a thing before its theme says anything, as far as that is not said anyway. */
function atFirst(view: ThemeView, part: PartName): readonly Declaration[] {
  if (part === 'links') return unless(view, part, [['color', 'inherit']]);
  if (part === 'buttons') return unless(view, part, levelled);
  if (part === 'search-field') return [...unless(view, part, fieldAtFirst), ...radiusOf(view)];
  return part === 'pager-items' ? [...unless(view, part, levelled), ['display', 'inline-block']] : [];
}

/** The sign for pages that are left out is as dark as the pages to go to. */
function gapRule(view: ThemeView, options: SelectorOptions, felt?: Felt): readonly CssNode[] {
  const ink = view.valueAt(rest('pager-items'), propertyOf('ink'));
  return ink && ink.kind !== 'page' && (felt === undefined || felt(rest('pager-items'), 'ink')) ? [rule(pagerGap(options), ['color', ink.css])] : [];
}

/** What is levelled, but for what the theme sets at rest anyway. */
function unless(view: ThemeView, part: PartName, declarations: readonly Declaration[]): readonly Declaration[] {
  const set = (name: PropertyName): boolean => {
    const value = view.valueAt(rest(part), propertyOf(name));
    if (type.includes(name) && (value?.css === 'inherit' || isHanded(view, part, propertyOf(name), value?.css))) return false;
    return value !== undefined && !(name === 'fill' && value.css === 'transparent');
  };
  const beaten: Readonly<Record<string, readonly PropertyName[]>> = {
    color: ['ink'],
    background: ['fill'],
    border: ['edge'],
    font: type,
    'letter-spacing': ['letter-spacing'],
    'text-transform': ['case'],
    padding: ['padding-top', 'padding-end', 'padding-bottom', 'padding-start'],
  };
  return declarations.filter(([property]) => !(beaten[property]?.every((name) => propertyOf(name).parts.includes(part) && set(name)) ?? false));
}

function thingRules(view: ThemeView, options: SelectorOptions, box: 'content' | 'around', felt?: Felt): readonly CssNode[] {
  return places
    .filter(({ part }) => isThing(part, box))
    .flatMap((place) => {
      const set: SetValue[] = [];
      for (const property of propertiesOf(place.part)) {
        const value = view.valueAt(place, property);
        const isHad =
          place.condition === 'rest' &&
          isLevelled(place.part) &&
          (value?.css === 'inherit' || (felt !== undefined && isHanded(view, place.part, property, value?.css)));
        if (value && !isHad && (felt === undefined || felt(place, property.name))) set.push({ property, value });
      }
      const declarations: readonly Declaration[] = [
        ...(place.condition === 'rest' ? atFirst(view, place.part) : []),
        ...fillOf(view, place.part, set),
        ...declare(set),
        ...roomOf(place.part, set),
        ...shownOf(set),
      ];
      if (declarations.length === 0) return [];
      const held = options.held && isHeldOpen(place.condition) ? [rule(thingsOf(options, place, true), ...declarations)] : [];
      const real = rule(thingsOf(options, place), ...declarations);
      return place.condition === 'hovered' ? [{ kind: 'media' as const, query: '(hover:hover)', rules: [real] }, ...held] : [real, ...held];
    });
}

const type: readonly PropertyName[] = ['font', 'size', 'weight', 'slant', 'line-height'];
/** Whether a page to go to has a value of its type from its pager already, since `font` is levelled to what is around it. */
const isHanded = (view: ThemeView, part: PartName, property: Property, css: string | undefined): boolean =>
  part === 'pager-items' &&
  type.includes(property.name) &&
  css !== undefined &&
  !isMeasured(css) &&
  view.valueAt(rest('pager'), property)?.css === css;

const valueOf = (set: readonly SetValue[], name: string): string | undefined => set.find(({ property }) => property.name === name)?.value.css;

/** No fill is written only where there would be one: over that of the same part at rest. */
function fillOf(view: ThemeView, part: PartName, set: readonly SetValue[]): readonly Declaration[] {
  const css = valueOf(set, 'fill');
  const under = view.valueAt(rest(part), propertyOf('fill'))?.css ?? 'transparent';
  return css === undefined || (css === 'transparent' && under === 'transparent') ? [] : [[propertyOf('fill').css ?? '', css]];
}

/** The pager stands below the table, the others above it. */
function roomOf(part: PartName, set: readonly SetValue[]): readonly Declaration[] {
  const css = valueOf(set, 'room');
  return css === undefined ? [] : [[part === 'pager' || part === 'empty-message' ? 'margin-block-start' : 'margin-block-end', css]];
}

const shownOf = (set: readonly SetValue[]): readonly Declaration[] => (valueOf(set, 'shown') === 'off' ? [['display', 'none']] : []);

/** The search field is as round as its bar, where nothing is said of its own corners. */
function radiusOf(view: ThemeView): readonly Declaration[] {
  if (view.valueAt(rest('search-field'), propertyOf('radius'))) return [];
  const radius = view.valueAt(rest('search-bar'), propertyOf('radius'));
  return radius && radius.css !== '0' ? [['border-radius', radius.css]] : [];
}
