/** In which direction a line of text runs where a logical property is looked at. */
export type Direction = 'ltr' | 'rtl';
/** The same in texts that run up or down (CSS Writing Modes 4, section 3.2: `sideways-lr`, `vertical-rl`). */
export type Flow = Direction | `${'up' | 'down'} ${Direction}`;

const SIDES = ['top', 'right', 'bottom', 'left'] as const;
const CORNERS = ['top-left', 'top-right', 'bottom-right', 'bottom-left'] as const;
const sides = (make: (side: string) => string): readonly string[] => SIDES.map(make);
const borderOf = (what: string): readonly string[] => sides((side) => `border-${side}-${what}`);
const names = (text: string): readonly string[] => text.split(' ');

/** What each shorthand sets (CSS Cascade 5, section 2.1), in longhands or further shorthands. */
const shorthands: Readonly<Record<string, readonly string[]>> = {
  animation: names(
    'animation-name animation-duration animation-timing-function animation-delay animation-iteration-count animation-direction animation-fill-mode animation-play-state animation-timeline animation-range-start animation-range-end',
  ),
  background: names(
    'background-color background-image background-position-x background-position-y background-size background-repeat background-attachment background-origin background-clip',
  ),
  'background-position': names('background-position-x background-position-y'),
  border: [...borderOf('width'), ...borderOf('style'), ...borderOf('color'), 'border-image'],
  'border-image': names('border-image-source border-image-slice border-image-width border-image-outset border-image-repeat'),
  'border-width': borderOf('width'),
  'border-style': borderOf('style'),
  'border-color': borderOf('color'),
  ...Object.fromEntries(SIDES.map((side) => [`border-${side}`, ['width', 'style', 'color'].map((what) => `border-${side}-${what}`)])),
  'border-radius': CORNERS.map((corner) => `border-${corner}-radius`),
  'border-spacing': ['border-spacing'],
  'column-rule': names('column-rule-width column-rule-style column-rule-color'),
  columns: names('column-width column-count'),
  container: names('container-name container-type'),
  flex: names('flex-grow flex-shrink flex-basis'),
  'flex-flow': names('flex-direction flex-wrap'),
  font: names(
    'font-style font-variant-ligatures font-variant-caps font-variant-numeric font-variant-east-asian font-variant-alternates font-variant-position font-variant-emoji font-weight font-stretch font-size line-height font-family font-size-adjust font-kerning font-feature-settings font-optical-sizing font-variation-settings',
  ),
  'font-variant': names(
    'font-variant-ligatures font-variant-caps font-variant-numeric font-variant-east-asian font-variant-alternates font-variant-position font-variant-emoji',
  ),
  gap: names('row-gap column-gap'),
  'grid-gap': names('row-gap column-gap'),
  'list-style': names('list-style-type list-style-position list-style-image'),
  margin: sides((side) => `margin-${side}`),
  mask: names('mask-image mask-position mask-size mask-repeat mask-origin mask-clip mask-composite mask-mode'),
  outline: names('outline-width outline-style outline-color'),
  overflow: names('overflow-x overflow-y'),
  padding: sides((side) => `padding-${side}`),
  'place-content': names('align-content justify-content'),
  'place-items': names('align-items justify-items'),
  'place-self': names('align-self justify-self'),
  inset: [...SIDES],
  'text-decoration': names('text-decoration-line text-decoration-style text-decoration-color text-decoration-thickness'),
  'text-emphasis': names('text-emphasis-style text-emphasis-color'),
  'text-wrap': names('text-wrap-mode text-wrap-style'),
  'white-space': names('white-space-collapse text-wrap-mode'),
  transition: names('transition-property transition-duration transition-timing-function transition-delay transition-behavior'),
};

/** Names that mean the same. */
const aliases: Readonly<Record<string, string>> = {
  'word-wrap': 'overflow-wrap',
  'grid-row-gap': 'row-gap',
  'grid-column-gap': 'column-gap',
  '-webkit-box-sizing': 'box-sizing',
  '-webkit-border-radius': 'border-radius',
  '-webkit-box-shadow': 'box-shadow',
  '-webkit-transform': 'transform',
  '-webkit-transition': 'transition',
  '-webkit-animation': 'animation',
  '-webkit-mask': 'mask',
  '-webkit-mask-image': 'mask-image',
};

/** On which side each logical side lies (CSS Writing Modes 4, section 6.3). */
function sidesOf(flow: Flow): { readonly block: readonly [start: string, end: string]; readonly inline: readonly [start: string, end: string] } {
  const isRtl = flow.endsWith('rtl');
  const turned = (start: string, end: string): readonly [string, string] => (isRtl ? [end, start] : [start, end]);
  if (flow.startsWith('up')) return { block: ['left', 'right'], inline: turned('bottom', 'top') };
  return flow.startsWith('down')
    ? { block: ['right', 'left'], inline: turned('top', 'bottom') }
    : { block: ['top', 'bottom'], inline: turned('left', 'right') };
}

/** A logical name's physical one (CSS Logical Properties 1, section 4); any other stays. */
function physical(name: string, flow: Flow): string {
  const { block, inline } = sidesOf(flow);
  const at = (text: string): string =>
    text.replace('block-start', block[0]).replace('block-end', block[1]).replace('inline-start', inline[0]).replace('inline-end', inline[1]);
  const corner = /^border-(start|end)-(start|end)-radius$/.exec(name);
  if (corner) {
    const both = [block[corner[1] === 'start' ? 0 : 1], inline[corner[2] === 'start' ? 0 : 1]];
    return `border-${both.find((each) => each === 'top' || each === 'bottom') ?? ''}-${both.find((each) => each === 'left' || each === 'right') ?? ''}-radius`;
  }
  if (/^(?:margin|padding|border)-(?:block|inline)-(?:start|end)/.test(name)) return at(name);
  if (/^inset-(?:block|inline)-(?:start|end)$/.test(name)) return at(name.slice('inset-'.length));
  const [along, across] = flow.includes(' ') ? ['height', 'width'] : ['width', 'height'];
  return { 'inline-size': along, 'block-size': across, 'min-inline-size': `min-${along}`, 'max-inline-size': `max-${along}` }[name] ?? name;
}

/** A pair of logical sides, as two: `padding-block`, `border-inline-width`, `inset-block`. */
function pair(name: string): readonly string[] | undefined {
  const found = /^(margin|padding|inset|border)-(block|inline)(?:-(width|style|color))?$/.exec(name);
  if (!found) return undefined;
  return ['start', 'end'].map((end) => `${found[1]}-${found[2]}-${end}${found[3] ? `-${found[3]}` : ''}`);
}

const known = new Map<string, readonly string[]>();

/**
 * The physical longhands that a property sets where texts run so. A property that is none of the shorthands known
 * here stands for itself; `all` too, since it sets every one (see {@link setsLonghand}).
 */
export function longhandsOf(property: string, flow: Flow = 'ltr'): readonly string[] {
  const key = `${property} ${flow}`;
  const before = known.get(key);
  if (before) return before;
  const name = physical(aliases[property] ?? property, flow);
  const parts = pair(name) ?? shorthands[name];
  const found = parts === undefined || parts[0] === name ? [name] : parts.flatMap((part) => longhandsOf(part, flow));
  known.set(key, found);
  return found;
}

/** What `all` does not set (CSS Cascade 5, section 3.2). */
const isBeyondAll = (longhand: string): boolean => longhand === 'direction' || longhand === 'unicode-bidi' || longhand.startsWith('--');

/** Whether a property sets a longhand. */
export const setsLonghand = (property: string, longhand: string, flow: Flow = 'ltr'): boolean =>
  property === 'all' ? !isBeyondAll(longhand) : longhandsOf(property, flow).includes(longhand);

/** Longhands that elements have from their parents where nothing is said of them, as far as tables' looks are made of them. */
export const isInherited = (longhand: string): boolean =>
  inherited.has(longhand) || longhand.startsWith('font-') || longhand.startsWith('list-style');
const inherited = new Set(
  names(
    'color line-height letter-spacing word-spacing text-transform text-align text-align-last text-indent white-space-collapse text-wrap-mode text-wrap-style overflow-wrap word-break hyphens tab-size text-shadow visibility cursor quotes caption-side border-collapse border-spacing empty-cells text-rendering',
  ),
);
