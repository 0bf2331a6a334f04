import { bad, good, type Outcome } from '../outcome';
import { readValue } from '../theme';

/** Width of a placed table: as its content needs, the whole column, or a length. */
export type PlacementWidth = string;
export type PlacementAlign = 'start' | 'center' | 'end';
/** Room in windows that are no wider than some px. */
export interface RoomAt {
  readonly upTo: number;
  readonly room: string;
}
/** How something stands in its column. */
export interface Placing {
  readonly width: PlacementWidth;
  /** `theme` leaves it to the theme. */
  readonly align: PlacementAlign | 'theme';
  readonly room: string;
  readonly roomAt?: readonly RoomAt[];
}

const nothing = { swatches: new Map(), scale: { base: 16, ratio: 1, steps: [] } };

/** Reads a placement's width and gives the CSS for its table. */
export function readWidth(text: string): Outcome<string> {
  const word = text.trim().toLowerCase();
  if (word === 'content') return good('auto');
  if (word === 'fill' || word === 'bleed') return good('100%');
  const percent = /^(\d{1,3}(?:\.\d+)?)%$/.exec(word);
  if (percent && Number(percent[1]) > 0 && Number(percent[1]) <= 100) return good(word);
  const wide = /^(\d+(?:\.\d+)?)(px|em|rem)$/.exec(word);
  if (wide && Number(wide[1]) > 0 && Number(wide[1]) <= 4000) return good(word);
  return bad({ code: 'width', say: `“${text}” is not a width.`, remedy: 'Write content, fill, bleed, or a length such as 32rem, 480px or 75%.' });
}

const isShare = (text: string): boolean => /^\d{1,3}(?:\.\d{1,3})?%$/.test(text) && Number.parseFloat(text) <= 100;

/**
 * Reads the room around a placement, one to four sides as in CSS, and gives them in full: top, right, bottom, left. A percentage is
 * of the width of what it stands in, upwards and downwards too (CSS Box 3, section 3.1).
 */
export function readRoom(text: string): Outcome<readonly string[]> {
  const pieces = text.trim().toLowerCase().split(/\s+/);
  const [top = '', right = top, bottom = top, left = right] = pieces;
  if (pieces.length > 4) return bad({ code: 'room', say: 'There are four sides at most.', remedy: 'Write one to four lengths, as in 24px 0.' });
  for (const piece of pieces) {
    if (isShare(piece)) continue;
    if (piece.endsWith('%')) return bad({ code: 'room', say: `A share is from 0% to 100%, not ${piece}.`, remedy: 'Write one such as 5%.' });
    const read = readValue('length', piece, nothing);
    if (!read.ok) return bad(...read.problems.map((problem) => ({ ...problem, code: 'room' })));
  }
  return good([top, right, bottom, left]);
}

/** Reads how high room is and gives the CSS for it. */
export function readSpace(text: string): Outcome<string> {
  const high = /^(\d+(?:\.\d+)?)(px|em|rem)$/.exec(text.trim().toLowerCase());
  if (high && Number(high[1]) <= 1000) return good(high[0]);
  return bad({ code: 'height', say: `“${text}” is no height.`, remedy: 'Write a length such as 24px or 2rem.' });
}

/** Whether a placement goes from edge to edge of the page. */
export const isBleed = ({ width }: Pick<Placing, 'width'>): boolean => width.trim().toLowerCase() === 'bleed';

/**
 * Rooms in narrower windows, the widest first, so that a narrower one is stronger. From edge to edge of the page there is none
 * beside a table, at any width.
 */
export const roomsOf = ({
  width,
  roomAt = [],
}: Pick<Placing, 'width' | 'roomAt'>): readonly { readonly upTo: number; readonly margin: readonly [string, string] }[] =>
  roomAt
    .flatMap(({ upTo, room }) => {
      const sides = readRoom(room);
      if (!sides.ok) return [];
      const [top = '0', , bottom = '0'] = sides.value;
      const margin = isBleed({ width }) ? (['margin-block', `${top} ${bottom}`] as const) : (['margin', sides.value.join(' ')] as const);
      return [{ upTo, margin }];
    })
    .sort((a, b) => b.upTo - a.upTo);

const css = (outcome: Outcome<string>): string => (outcome.ok ? outcome.value : 'auto');

/**
 * The styles of a placement's box and of its table. The box keeps the room around and never grows wider
 * than its column; the table sits in it by automatic margins (CSS 2.2, section 17.5.2), where that is not left to a theme that
 * says something of it.
 */
export function placementCss(
  { width, align, room: typed }: Placing,
  isLeftToTheme = false,
): {
  readonly box: readonly (readonly [string, string])[];
  readonly table: readonly (readonly [string, string])[];
} {
  const sides = readRoom(typed);
  const margin = { theme: '0 auto', start: '0 auto', center: 'auto', end: 'auto 0' }[align];
  const inline = css(readWidth(width));
  const room: readonly (readonly [string, string])[] = [['margin', sides.ok ? sides.value.join(' ') : '0']];
  return {
    // From the middle of its column to both edges of the page, which is a container: a window's own unit would count its scroll bar.
    box: isBleed({ width }) ? [...room, ['width', '100cqi'], ['margin-inline', 'calc(50% - 50cqi)']] : room,
    table: [
      ...(inline === 'auto' ? [] : [['width', inline] as const]),
      ...(inline === '100%'
        ? []
        : align === 'theme' && isLeftToTheme
          ? ([['margin-block', '0']] as const)
          : ([
              ['margin', '0'],
              ['margin-inline', margin],
            ] as const)),
    ],
  };
}
