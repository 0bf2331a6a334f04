import { closest } from 'fastest-levenshtein';
import { iconAddress, icons, pictureAddress, pictures } from '../../media';
import { good } from '../../outcome';
import type { Rgba } from '../../colour';
import { lengthReader, list, problem, readColour, type Reader } from './reading';

const none = { kind: 'picture', css: 'none' } as const;

const MOST_STOPS = 6;
const directions: Readonly<Record<string, string>> = { down: '180deg', across: '90deg' };

/**
 * Reads colours that go over into one another (CSS Images 3, section 3.1): with `to` between, then which way, `down` where it is not said:
 * `deep to tide`, `deep to #ffffff 40% across`, `glow to lamp 45deg`.
 */
const readGradient: Reader = (text, vocabulary) => {
  const way = / (down|across|-?\d{1,3}deg)$/.exec(text);
  const colours = (way ? text.slice(0, way.index) : text).split(' to ');
  if (colours.length > MOST_STOPS) return problem('value-gradient', `There are ${colours.length} colours.`, `Use at most ${MOST_STOPS}.`);
  const stops: Rgba[] = [];
  const written: string[] = [];
  for (const colour of colours) {
    const read = readColour(colour.trim(), vocabulary);
    if (!read.ok) return read;
    if (read.value.kind !== 'colour') throw new TypeError('A colour reader gave something else');
    stops.push(read.value.rgba);
    written.push(read.value.css);
  }
  const angle = directions[way?.[1] ?? 'down'] ?? way?.[1] ?? '180deg';
  return good({ kind: 'picture', css: `linear-gradient(${[angle, ...written].join(',')})`, stops });
};

/** Reads a picture by its name: one that the theme brings, or one of the media shelf; or colours that go over into one another. */
export const readPicture: Reader = (text, vocabulary) => {
  if (text === 'none') return good(none);
  if (text.includes(' to ')) return readGradient(text, vocabulary);
  const css = vocabulary.pictures?.get(text) ?? pictureAddress(text);
  if (css !== undefined) return good({ kind: 'picture', css });
  const names = [...(vocabulary.pictures?.keys() ?? []), ...pictures.map(({ name }) => name)];
  return problem(
    'value-picture',
    `There is no picture “${text}”.`,
    `Did you mean ${closest(text, names)}? Pictures: ${list(names)}; colours such as #123c4d to #1d6b8f; or none.`,
  );
};

export const readIcon: Reader = (text) => {
  if (text === 'none') return good(none);
  const css = iconAddress(text);
  if (css !== undefined) return good({ kind: 'picture', css });
  const names = icons.map(({ name }) => name);
  return problem('value-icon', `There is no icon “${text}”.`, `Did you mean ${closest(text, names)}? Icons: ${list(names)}; or none.`);
};

const side = lengthReader({ least: 0, most: 2000, percent: 'room' }, { auto: 'auto' });

/** Reads how large a picture is (CSS Backgrounds 3, section 3.9): `its own`, `cover`, `contain`, or one or two lengths. */
export const readPictureSize: Reader = (text, vocabulary) => {
  if (text === 'its own') return good({ kind: 'word', css: 'auto' });
  if (text === 'cover' || text === 'contain') return good({ kind: 'word', css: text });
  const sides = text.split(' ').map((piece) => side(piece, vocabulary));
  const wrong = sides.find((read) => !read.ok);
  if (wrong || sides.length > 2)
    return problem(
      'value-picture-size',
      `“${text}” is not a size for a picture.`,
      'Write its own, cover, contain, or one or two lengths such as 24px.',
    );
  return good({ kind: 'word', css: sides.map((read) => (read.ok ? read.value.css : '')).join(' ') });
};

const across = lengthReader({ least: -2000, most: 2000, percent: 'room' }, { left: 'left', center: 'center', right: 'right' });
const down = lengthReader({ least: -2000, most: 2000, percent: 'room' }, { top: 'top', center: 'center', bottom: 'bottom' });

/** Reads where a picture stands (CSS Backgrounds 3, section 3.6): across, then down; one word stands for the middle of the other. */
export const readPicturePosition: Reader = (text, vocabulary) => {
  const [first = '', second = 'center', ...more] = text.split(' ');
  const turned = first === 'top' || first === 'bottom';
  const read = [across(turned ? second : first, vocabulary), down(turned ? first : second, vocabulary)];
  if (more.length > 0 || read.some((each) => !each.ok))
    return problem('value-picture-position', `“${text}” is not a position.`, 'Write across and down, as in left top, center, or 10px 50%.');
  return good({ kind: 'word', css: read.map((each) => (each.ok ? each.value.css : '')).join(' ') });
};
