import { iconAddress } from '../../../media';
import {
  boundOf,
  coloursOf,
  isSafeAddress,
  markedValueIn,
  settingOf,
  valueMarkOn,
  valueMarkSettings,
  type GridCell,
  type Table,
  type ValueMark,
  type ValueMarkSetting,
} from '../../../table';
import { propertyOf, type ThemeView } from '../../../theme';
import { shortHash } from '../../sheet/short-hash';
import { type SelectorOptions } from '../../sheet/selectors';
import { contract } from '../../markup/contract';
import { element, textWithBreaks, type MarkupNode } from '../../markup/markup';
import { cellNodes } from '../../markup/cell-html';
import { rule, type CssNode, type Declaration } from '../../sheet/stylesheet';

/** A value mark with all of its settings worked out, as cells wear it. */
export interface Worn {
  readonly kind: ValueMark['kind'];
  readonly settings: Readonly<Record<ValueMarkSetting, string>>;
}

export const wornOf = (dressings: readonly ValueMark[], mark: ValueMark): Worn => ({
  kind: mark.kind,
  settings: Object.fromEntries(
    valueMarkSettings.map(({ name, kinds }) => [name, (kinds as readonly string[]).includes(mark.kind) ? settingOf(dressings, mark, name) : '']),
  ) as Record<ValueMarkSetting, string>,
});

/** What a value mark says of itself only in the markup does not make it another look. */
const spoken: ReadonlySet<string> = new Set(['alt', 'link', 'picture', 'text', 'least']);
/** The class of what stands in a cell with one: the same look has the same name. */
export const valueMarkClass = ({ kind, settings }: Worn): string =>
  contract.valueMark(shortHash(JSON.stringify([kind, Object.entries(settings).filter(([name]) => !spoken.has(name))])));

/** The value marks that some tables' cells wear, each look once. */
export function wornIn(tables: readonly Pick<Table, 'exceptions' | 'dressings'>[]): readonly Worn[] {
  const found = new Map<string, Worn>();
  for (const { exceptions, dressings } of tables) {
    const names = new Set(exceptions.map(({ dressing }) => dressing));
    for (const each of dressings) {
      if (!names.has(each.name)) continue;
      const worn = wornOf(dressings, each);
      found.set(valueMarkClass(worn), worn);
    }
  }
  return [...found.values()];
}

const mask = (name: string, size: string): readonly Declaration[] => {
  const address = iconAddress(name);
  return address === undefined ? [] : [['mask', `${address} 0 50%/${size} repeat-x`]];
};

/** How value marks look. Colours are the theme's: one that it does not have gives way to the ink of the text. */
export function valueMarkRules(view: ThemeView, worn: readonly Worn[], { theme }: SelectorOptions): readonly CssNode[] {
  const colour = (text: string, fallback: string): string => {
    const read = view.read(propertyOf('ink'), text);
    return read.ok ? (read.value.css === 'inherit' ? 'currentColor' : read.value.css) : fallback;
  };
  const length = (text: string): string => {
    const read = view.read(propertyOf('padding-top'), text);
    return read.ok ? read.value.css : '1em';
  };
  return worn.flatMap((each): readonly CssNode[] => {
    const { kind, settings } = each;
    const name = valueMarkClass(each);
    const at = (test = ''): string => `.${theme}>*>:where(tr)>* :where(.${name}${test})`;
    const [main, quiet, size] = [colour(settings.colour, 'currentColor'), colour(settings.quiet, '#8883'), length(settings.size)];
    const byValue = (property: string, pseudo = ''): readonly CssNode[] =>
      coloursOf(settings.colours).map((pair, i) => rule(at(`.${contract.which(i)}`) + pseudo, [property, colour(pair.colour, 'currentColor')]));
    /** A mark beside the text, in the shape of an icon. */
    const mark = (): CssNode =>
      rule(
        `${at()}::before`,
        ['content', '""'],
        ['display', 'inline-block'],
        ['width', size],
        ['height', size],
        ['margin-inline-end', '.4em'],
        ['vertical-align', '-.125em'],
        ['background', main],
        ...mask(settings.shape, 'contain'),
      );
    switch (kind) {
      case 'rating': {
        const count = Math.max(1, Math.min(20, Math.ceil(boundOf(settings.most) ?? 5)));
        return [
          rule(
            at(),
            ['width', `calc(${size} * ${count})`],
            ['height', size],
            ['vertical-align', '-.125em'],
            ['background', quiet],
            ['fill', main],
            ...mask(settings.shape, `${size} ${size}`),
          ),
          turned(at),
        ];
      }
      case 'meter':
        return [rule(at(), ['width', size], ['height', '.6em'], ['border-radius', '1em'], ['background', quiet], ['fill', main]), turned(at)];
      case 'status':
      case 'icon':
        return [mark(), ...byValue('background', '::before')];
      case 'tag':
        return [
          rule(at(), ['padding', '.1em .6em'], ['border-radius', '1em'], ['background', main], ['color', colour(settings.ink, 'inherit')]),
          ...byValue('background'),
        ];
      case 'yes-no':
        return [
          rule(
            at(),
            ['display', 'inline-block'],
            ['width', size],
            ['height', size],
            ['vertical-align', '-.125em'],
            ['background', main],
            ...mask('tick', 'contain'),
          ),
          rule(at(`.${contract.no}`), ['mask', 'linear-gradient(#000 0 0) 50%/70% 14% no-repeat'], ['background', quiet]),
        ];
      case 'picture':
        return [rule(at(), ['max-width', '100%'], ['height', size], ['vertical-align', 'middle'])];
      case 'button':
        return [
          rule(
            at(),
            ['display', 'inline-block'],
            ['padding', '.3em .9em'],
            ['border-radius', '.4em'],
            ['background', main],
            ['color', colour(settings.ink, 'inherit')],
            ['text-decoration', 'none'],
          ),
        ];
      case 'person':
        return [
          rule(
            `${at()}>*`,
            ['display', 'inline-block'],
            ['width', size],
            ['height', size],
            ['line-height', size],
            ['margin-inline-end', '.5em'],
            ['border-radius', '50%'],
            ['vertical-align', 'middle'],
            ['object-fit', 'cover'],
            ['text-align', 'center'],
            ['background', main],
            ['color', colour(settings.ink, 'inherit')],
          ),
        ];
    }
  });
}

/** From right to left a bar grows from the right. */
const turned = (at: (test?: string) => string): CssNode => rule(`${at(':dir(rtl)')}`, ['transform', 'scaleX(-1)']);

/** What stands in a cell whose value is shown as a mark; undefined where it stands there plainly. */
export function markedNodes(table: Table, cell: GridCell): readonly MarkupNode[] | undefined {
  const mark = valueMarkOn(table, cell);
  const shown = mark && markedValueIn(table, cell, mark);
  if (!shown) return undefined;
  const name = valueMarkClass(wornOf(table.dressings, mark));
  const beside = (node: MarkupNode, text: string): readonly MarkupNode[] => (text === '' ? [node] : [node, ` ${text}`]);
  switch (shown.kind) {
    case 'rating':
    case 'meter': {
      // Sizes of its own, for where the stylesheet is not.
      const bar = element(
        'svg',
        {
          class: name,
          role: 'img',
          'aria-label': shown.alt,
          width: '5em',
          height: '1em',
          viewBox: '0 0 100 1',
          preserveAspectRatio: 'none',
          'aria-hidden': shown.text === '' ? undefined : 'true',
        },
        element('rect', { width: Math.round(shown.share * 1000) / 10, height: 1 }),
      );
      return beside(bar, shown.text);
    }
    case 'status':
    case 'icon':
    case 'tag':
      return [element('span', { class: shown.which < 0 ? name : `${name} ${contract.which(shown.which)}` }, ...textWithBreaks(shown.text))];
    case 'yes-no':
      return beside(
        element('span', {
          class: shown.yes ? name : `${name} ${contract.no}`,
          role: shown.text === '' ? 'img' : undefined,
          'aria-label': shown.text === '' ? shown.alt : undefined,
        }),
        shown.text,
      );
    case 'picture':
      return [element('img', { class: name, src: shown.address, alt: shown.alt, loading: 'lazy' })];
    case 'button': {
      const look = { class: `${contract.button} ${name}` };
      const inner = cellNodes(shown.content);
      return [isSafeAddress(shown.address) ? element('a', { ...look, href: shown.address }, ...inner) : element('span', look, ...inner)];
    }
    case 'person': {
      const face =
        shown.address === ''
          ? element('span', { 'aria-hidden': 'true' }, shown.initials)
          : element('img', { src: shown.address, alt: '', loading: 'lazy' });
      return [element('span', { class: name }, face, shown.text)];
    }
  }
}
