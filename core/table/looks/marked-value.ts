import { readValueOf } from '../../data-types';
import { boundOf, settingOf, type ValueMark, type ValueMarkSetting } from './value-mark';
import { exceptionsOn } from './exceptions-on';
import { gridOf, type GridCell } from '../grid/grid';
import { isGroupHeading } from '../grid/groups';
import { readIn } from '../columns/readings';
import { shownText } from '../columns/shown';
import { cellOf, isPictureAddress, textOf, type Cell } from '../cell';
import { sameName } from '../computed/names';
import { columnNames } from '../edit/bring-again';
import type { Table } from '../table';

/** The value mark that a body cell's value is shown in: its own, else its row's, else its column's. One that is gone shows the value plainly. */
export function valueMarkOn(table: Table, cell: GridCell): ValueMark | undefined {
  if (table.dressings.length === 0 || cell.section !== 'body' || isGroupHeading(table, cell.row)) return undefined;
  const worn = exceptionsOn(table, cell).findLast(({ dressing }) => dressing !== '');
  return worn && table.dressings.find(({ name }) => name === worn.dressing);
}

/** A value as its value mark shows it. */
export type MarkedValue =
  | { readonly kind: 'rating' | 'meter'; readonly share: number; readonly alt: string; readonly text: string }
  | { readonly kind: 'status' | 'tag' | 'icon'; readonly text: string; readonly which: number }
  | { readonly kind: 'yes-no'; readonly yes: boolean; readonly alt: string; readonly text: string }
  | { readonly kind: 'picture'; readonly address: string; readonly alt: string }
  | { readonly kind: 'button'; readonly text: string; readonly address: string; readonly content: Cell }
  | { readonly kind: 'person'; readonly text: string; readonly initials: string; readonly address: string };

/** Colours by value: `open = deep; late = lamp`. What cannot be read is left out. */
export const coloursOf = (text: string): readonly { readonly value: string; readonly colour: string }[] =>
  text.split(/[;\n]/).flatMap((piece) => {
    const at = piece.lastIndexOf('=');
    const [value, colour] = [piece.slice(0, at).trim(), piece.slice(at + 1).trim()];
    return at < 1 || value === '' || colour === '' ? [] : [{ value, colour }];
  });

/** A cell's value in a value mark; undefined where it is nothing, or nothing that the value mark can show: it then stands there as it is. */
export function markedValueIn(table: Table, cell: GridCell, mark: ValueMark): MarkedValue | undefined {
  const text = shownText(table, cell).trim();
  // A button is a link, and has what is marked in it; every other mark stands in the place of what a text is.
  if (text === '' || (cell.marks.length > 0 && mark.kind !== 'button')) return undefined;
  const setting = (name: ValueMarkSetting): string => settingOf(table.dressings, mark, name);
  const row = (): string => textOf(table.rows[cell.row]?.[0]).trim();
  const filled = (template: string, most = ''): string =>
    template.replace(/\{(value|most|row)\}/g, (_, name: string) => (name === 'value' ? text : name === 'most' ? most : row()));
  switch (mark.kind) {
    case 'rating':
    case 'meter': {
      const [least, most] = [boundOf(setting('least')), boundOf(setting('most'))];
      const value = numberIn(table, cell);
      if (value === undefined || least === undefined || most === undefined || most <= least) return undefined;
      const alt = filled(setting('alt') === '' ? '{value} of {most}' : setting('alt'), String(most));
      const share = Math.min(1, Math.max(0, (value - least) / (most - least)));
      return { kind: mark.kind, share, alt, text: setting('text') === 'on' ? text : '' };
    }
    case 'status':
    case 'tag':
    case 'icon':
      return {
        kind: mark.kind,
        text,
        which: coloursOf(setting('colours')).findIndex(({ value }) => value.toLowerCase() === text.toLowerCase()),
      };
    case 'yes-no': {
      const value = readValueOf('yes-no', text, { decimal: '', order: '' });
      if (value === undefined || value === null) return undefined;
      const yes = value === 1;
      return { kind: 'yes-no', yes, alt: setting('alt') === '' ? text : filled(setting('alt')), text: setting('text') === 'on' ? text : '' };
    }
    case 'picture':
      return isPictureAddress(text) ? { kind: 'picture', address: text, alt: filled(setting('alt') === '' ? '{row}' : setting('alt')) } : undefined;
    case 'button': {
      // The cell's own link leads where the button does; a button holds no other.
      const own = cell.marks.find(({ kind }) => kind === 'link')?.href;
      const content =
        cell.marks.length === 0
          ? text
          : cellOf(
              cell.text,
              cell.marks.filter(({ kind }) => kind !== 'link'),
            );
      return { kind: 'button', text, address: own ?? setting('link').replaceAll('{value}', encodeURIComponent(text)), content };
    }
    case 'person': {
      const [name = '', below = ''] = text.split(/\s*\n\s*/);
      const picture = isPictureAddress(below) ? below : pictureIn(table, cell.row, setting('picture'));
      return { kind: 'person', text: name, initials: initialsOf(name), address: isPictureAddress(picture) ? picture : '' };
    }
  }
}

/** The address of a picture in a row's column of that name: of one that is put there, or as a text; empty where there is none. */
function pictureIn(table: Table, row: number, name: string): string {
  const column = name === '' ? -1 : columnNames(table).findIndex((each) => sameName(each) === sameName(name));
  const cell = column < 0 ? '' : gridOf(table).at(row, column);
  if (typeof cell === 'string') return '';
  return cell.marks.find(({ kind }) => kind === 'picture')?.href ?? cell.text.trim();
}

/** The number that a cell holds, whatever its column's type. */
function numberIn(table: Table, { column, text }: GridCell): number | undefined {
  const typed = readIn(table, column, text);
  const value = typeof typed === 'number' ? typed : readValueOf('number', text, { decimal: table.decimal, order: '' });
  return typeof value === 'number' ? value : undefined;
}

/** The first letters of the first and the last name; of a script without cases just as they are. */
function initialsOf(name: string): string {
  const names = name.split(/\s+/).filter((each) => each !== '');
  const letters = names.length > 1 ? [names[0], names.at(-1)] : names;
  return letters
    .map((each) => Array.from(each ?? '')[0] ?? '')
    .join('')
    .toLocaleUpperCase();
}
