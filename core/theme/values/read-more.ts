import { good } from '../../outcome';
import { lengthReader, list, problem, readColour, type Reader, type Value } from './reading';

const one = lengthReader({ least: 0, most: 400 });

/** Reads how far spaced cells stand apart: one length, or two, across and then down (CSS 2.2, section 17.6.1, `border-spacing`). */
export const readGap: Reader = (text, vocabulary) => {
  const [first = '', second, ...more] = text.split(' ');
  if (more.length > 0)
    return problem('value-gap', `“${text}” has more than two lengths.`, 'Write one for both ways, or across and down, as in 0 8px.');
  const across = one(first, vocabulary);
  if (!across.ok || second === undefined) return across;
  const down = one(second, vocabulary);
  if (!down.ok) return down;
  if (across.value.kind !== 'length' || down.value.kind !== 'length') throw new TypeError('A reader of lengths gave something else');
  const { css, amount, unit } = down.value;
  if (css === across.value.css) return across;
  return good({ ...across.value, css: `${across.value.css} ${css}`, down: { css, amount, unit } });
};

/** How far cells stand apart across, and down. */
export function gapSides(gap: Value): readonly [across: Value, down: Value] {
  if (gap.kind !== 'length' || gap.down === undefined) return [gap, gap];
  const { down, ...across } = gap;
  return [
    { ...across, css: gap.css.split(' ')[0] ?? '0' },
    { kind: 'length', ...down },
  ];
}

const MOST_BAR = 40;

/** Reads a bar: its width in px, its colour. */
export const readBar: Reader = (text, vocabulary) => {
  if (text === 'none') return good({ kind: 'line', css: 'none', width: 0, style: 'none', rgba: { r: 0, g: 0, b: 0, alpha: 0 } });
  const match = /^(\d+\.?\d*|\.\d+)px (.+)$/.exec(text);
  const width = Number(match?.[1]);
  if (!match) return problem('value-bar', `“${text}” is not a bar.`, 'Write its width and colour, as in 4px #999999; or none.');
  if (width <= 0 || width > MOST_BAR)
    return problem('value-range', `A bar of ${match[1]}px is out of range.`, `Use more than 0 and at most ${MOST_BAR}px; or none.`);
  const colour = readColour(match[2] ?? '', vocabulary);
  if (!colour.ok) return colour;
  if (colour.value.kind !== 'colour') throw new TypeError('A colour reader gave something else');
  const { css, rgba, swatch } = colour.value;
  return good({ kind: 'line', css: `${width}px ${css}`, width, style: 'solid', rgba, swatch });
};

const spacing = { tabular: 'tabular-nums', proportional: 'proportional-nums' } as const;
const form = { 'old style': 'oldstyle-nums', lining: 'lining-nums' } as const;
const ZERO = 'slashed zero';
export const figureWords = ['as the font has them', ...Object.keys(spacing), ...Object.keys(form), ZERO];

/** Reads how figures are: how wide, in which form, with a zero that cannot be taken for a letter (CSS Fonts 4, section 6.7), with commas between. */
export const readFigures: Reader = (text) => {
  if (text === 'as the font has them') return good({ kind: 'word', css: 'normal' });
  const found: [string, string, string] = ['', '', ''];
  for (const word of text.split(',').map((each) => each.trim())) {
    const css = [Object.entries(form), Object.entries(spacing), [[ZERO, 'slashed-zero'] as const]].map(
      (each) => each.find(([name]) => name === word)?.[1] ?? '',
    );
    const at = css.findIndex((each) => each !== '');
    if (at < 0)
      return problem('value-figures', `“${word}” is none of the choices here.`, `Choices: ${list(figureWords)}; several with commas between.`);
    if (found[at] !== '') return problem('value-figures', `“${text}” says one thing twice.`, 'Name one width and one form of figures.');
    found[at] = css[at] ?? '';
  }
  // In the order in which browsers say it back.
  return good({ kind: 'word', css: found.filter((each) => each !== '').join(' ') });
};

const changing = { fill: 'background-color', ink: 'color', shadow: 'box-shadow' } as const;
const easings = ['linear', 'ease', 'ease-in', 'ease-out', 'ease-in-out'] as const;

/** Reads how changes under the hand go: at once, or what of them for how long (CSS Transitions 1, section 2). `css` is longhands with their time. */
export const readTransition: Reader = (text) => {
  if (text === 'at once') return good({ kind: 'word', css: 'none' });
  const of: string[] = [];
  let [time, easing] = ['', ''];
  for (const word of text.split(/[\s,]+/)) {
    const match = /^(\d{1,5}|\d?\.\d{1,3}|\d\.?\d{0,3})(ms|s)$/.exec(word);
    if (Object.hasOwn(changing, word)) of.push(word);
    else if ((easings as readonly string[]).includes(word) && easing === '') easing = word;
    else if (match && time === '') {
      const ms = Number(match[1]) * (match[2] === 's' ? 1000 : 1);
      if (ms < 10 || ms > 3000) return problem('value-range', `${word} is out of range.`, 'Use 10ms to 3s.');
      time = `${ms / 1000}s`;
    } else
      return problem(
        'value-transition',
        `“${word}” says nothing of a change.`,
        `Write what, how long and how, as in fill 150ms ease; or 150ms for all; or at once. How: ${list(easings)}.`,
      );
  }
  if (time === '') return problem('value-transition', 'It is not said how long the change takes.', 'Write a time, as in 150ms.');
  const names = Object.entries(changing).filter(([name]) => of.length === 0 || of.includes(name));
  return good({ kind: 'word', css: names.map(([, css]) => `${css} ${time} ${easing || 'ease'}`).join(',') });
};

const MOST_LINES = 20;

/** Reads after how many lines a text is cut: a whole number, or all of them. */
export const readLinesShown: Reader = (text) => {
  if (text === 'all') return good({ kind: 'word', css: 'none' });
  const count = /^\d{1,4}$/.test(text) ? Number(text) : NaN;
  if (Number.isNaN(count)) return problem('value-lines', `“${text}” is no number of lines.`, 'Write a whole number, as in 3; or all.');
  if (count < 1 || count > MOST_LINES) return problem('value-range', `${text} lines are out of range.`, `Use 1 to ${MOST_LINES}; or all.`);
  return good({ kind: 'number', css: `${count}`, amount: count });
};
