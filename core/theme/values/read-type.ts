import { closest } from 'fastest-levenshtein';
import { good } from '../../outcome';
import { own } from '../../own';
import { fontStack, fonts } from '../fonts/fonts';
import { readStep, stepSize } from '../type-scale';
import { lengthReader, list, problem, type Reader } from './reading';

/** Readers of what has to do with type: sizes, weights, line heights, families and shares. */
export const readSize: Reader = (text, vocabulary) => {
  const step = readStep(vocabulary.scale, text);
  if (step) {
    const amount = stepSize(vocabulary.scale, step.step);
    if (amount < 4 || amount > 200) return problem('value-range', `${text} comes to ${amount}px.`, 'Use a size from 4px to 200px.');
    return good({ kind: 'length', css: `${amount}px`, amount, unit: 'px' });
  }
  const length = lengthReader({ least: 0.3, most: 200, percent: 'em' })(text, vocabulary);
  if (length.ok || /^[.\d]/.test(text)) return length;
  const names = vocabulary.scale.steps.map(({ name }) => name);
  return problem(
    'value-size',
    `There is no type step “${text}”.`,
    `Did you mean ${closest(text, names)}? Steps: ${list(names)}; or a size such as 15px.`,
  );
};

const weights: Readonly<Record<string, number>> = {
  thin: 100,
  light: 300,
  normal: 400,
  regular: 400,
  medium: 500,
  semibold: 600,
  bold: 700,
  heavy: 800,
  black: 900,
};

export const readWeight: Reader = (text) => {
  const amount = own(weights, text) ?? Number(text);
  if (Number.isInteger(amount) && amount >= 1 && amount <= 1000) return good({ kind: 'number', css: String(amount), amount });
  return problem('value-weight', `“${text}” is not a weight.`, `Use a number from 1 to 1000, or ${list(Object.keys(weights))}.`);
};

export const readLeading: Reader = (text, vocabulary) => {
  if (/^(\d+\.?\d*|\.\d+)$/.test(text)) {
    const amount = Number(text);
    if (amount < 0.5 || amount > 10) return problem('value-range', `A line height of ${text} is out of range.`, 'Use 0.5 to 10, or a length.');
    return good({ kind: 'number', css: String(amount), amount });
  }
  return lengthReader({ least: 0, most: 400, percent: 'em' }, { normal: 'normal' })(text, vocabulary);
};

export const readFamily: Reader = (text) => {
  const css = fontStack(text);
  if (css !== undefined) return good({ kind: 'word', css });
  const names = fonts.map(({ name }) => name);
  return problem(
    'value-font',
    `There is no font “${text}”.`,
    `Did you mean ${closest(text, names)}? Fonts: ${list(names)}; or a list such as Brand Sans, sans-serif.`,
  );
};

/** How small something may become: below 30 % nobody reads it. */
export const readScale: Reader = (text, vocabulary) => {
  const share = readShare(text, vocabulary);
  if (share.ok && share.value.kind === 'number' && share.value.amount >= 0.3) return share;
  return problem('value-scale', `“${text}” is no size to make something smaller to.`, 'Write 30% to 100%.');
};

export const readShare: Reader = (text) => {
  const match = /^(\d+(?:\.\d+)?)%$/.exec(text);
  const amount = match ? Number(match[1]) / 100 : Number.NaN;
  if (amount >= 0 && amount <= 1) return good({ kind: 'number', css: String(amount), amount });
  return problem('value-share', `“${text}” is not a share.`, 'Write 0% to 100%.');
};
