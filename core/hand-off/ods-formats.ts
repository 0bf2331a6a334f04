import { strFromU8, strToU8, unzipSync, zipSync, type Zippable } from 'fflate';
import { escapeText } from '../compile';

/** What stands in a format of the library's in place of one of ours, to be found in the file that it writes. */
const MARK = 'zest-format-';
/** A format under which the library writes a cell whose own format it cannot write. */
export const standIn = (at: number): string => `0"${MARK}${at}"`;

type Kind = 'float' | 'percentage' | 'date' | 'time';
const elements: Readonly<Record<Kind, string>> = {
  float: 'number-style',
  percentage: 'percentage-style',
  date: 'date-style',
  time: 'time-style',
};

/** One part of a number format ([ECMA-376] part 1, section 18.8.31): a quoted or escaped text, a number, a part of a date, any other sign. */
const PART = /"([^"]*)"|\\(.)|([#0][#,0]*(?:\.0+)?)|(\[h\]|y+|m+|d+|h+|s+)|([\s\S])/g;

/** What a number format shows: a share, a date, a time of day or a span, or a number as it is. */
function kindOf(format: string): Kind {
  const bare = format.replace(/"[^"]*"|\\./g, '');
  if (bare.includes('y')) return 'date';
  return bare.includes('h') ? 'time' : bare.includes('%') ? 'percentage' : 'float';
}

const textElement = (text: string): string => `<number:text>${escapeText(text)}</number:text>`;
const long = (is: boolean): string => (is ? ' number:style="long"' : '');

/** A part of a date or a time as an element (OpenDocument 1.2, part 1, section 16.27). What follows hours is minutes. */
function dated(part: string, isTime: boolean): string {
  const [letter] = part.replace('[', '');
  if (letter === 'y') return `<number:year${long(part.length > 2)}/>`;
  if (letter === 'd') return part.length > 2 ? `<number:day-of-week${long(part.length > 3)}/>` : `<number:day${long(part.length === 2)}/>`;
  if (letter === 'h') return `<number:hours${long(part === 'hh')}/>`;
  if (letter === 's') return `<number:seconds${long(part.length === 2)}/>`;
  if (isTime) return `<number:minutes${long(part.length === 2)}/>`;
  return `<number:month${long(part.length === 2 || part.length === 4)}${part.length > 2 ? ' number:textual="true"' : ''}/>`;
}

function numbered(pattern: string): string {
  const decimals = pattern.split('.')[1]?.length ?? 0;
  const grouping = pattern.includes(',') ? ' number:grouping="true"' : '';
  return `<number:number number:decimal-places="${decimals}" number:min-decimal-places="${decimals}" number:min-integer-digits="1"${grouping}/>`;
}

/** What stands in the element of one section of a format. Texts that follow each other are one. */
function sectionContent(section: string): string {
  let isTime = false;
  let texts = '';
  let content = '';
  for (const [whole, quoted, escaped, number, date] of section.matchAll(PART)) {
    if (number === undefined && date === undefined) {
      texts += quoted ?? escaped ?? whole;
      continue;
    }
    content += texts === '' ? '' : textElement(texts);
    texts = '';
    if (date?.includes('h')) isTime = true;
    content += number === undefined ? dated(date ?? '', isTime) : numbered(number);
  }
  return content + (texts === '' ? '' : textElement(texts));
}

/** A format's sections; a semicolon in a text parts none. */
const sectionsOf = (format: string): readonly string[] => format.match(/(?:"[^"]*"|\\.|[^;"\\])+/g) ?? [format];

/**
 * A number format as a data style (OpenDocument 1.2, part 1, section 16.27). Sections for what is above, below and at nothing are
 * styles of their own, which the last one leads to.
 */
function styleOf(name: string, format: string): string {
  const kind = kindOf(format);
  const tag = `number:${elements[kind]}`;
  const overflow = format.includes('[h]') ? ' number:truncate-on-overflow="false"' : '';
  const sections = sectionsOf(format);
  const own = sections.at(-1) ?? format;
  const others = sections.slice(0, -1);
  const conditions = sections.length > 2 ? ['value()&gt;0', 'value()&lt;0'] : ['value()&gt;=0'];
  const apart = others.map((section, i) => `<${tag} style:name="${name}P${i}" style:volatile="true">${sectionContent(section)}</${tag}>`);
  const maps = others.map((_, i) => `<style:map style:condition="${conditions[i] ?? ''}" style:apply-style-name="${name}P${i}"/>`);
  return `${apart.join('')}<${tag} style:name="${name}"${overflow}>${sectionContent(own)}${maps.join('')}</${tag}>`;
}

const DAY = 86_400_000;
/** Day 25,569 of a workbook is the first of 1970. */
const EPOCH = 25_569;

/** A cell's value as its kind is written (OpenDocument 1.2, part 1, section 19.385): a date, a duration, or the number itself. */
function valueAs(kind: Kind, text: string): string {
  const value = Number(text);
  if (kind === 'date') {
    const iso = new Date(Math.round((value - EPOCH) * DAY)).toISOString();
    return `office:value-type="date" office:date-value="${value % 1 === 0 ? iso.slice(0, 10) : iso.slice(0, 19)}"`;
  }
  if (kind === 'time') {
    const seconds = Math.round(value * 86_400);
    const [hours, minutes] = [Math.floor(seconds / 3600), Math.floor((seconds % 3600) / 60)];
    const two = (n: number): string => String(n).padStart(2, '0');
    return `office:value-type="time" office:time-value="PT${two(hours)}H${two(minutes)}M${two(seconds % 60)}S"`;
  }
  return `office:value-type="${kind}" office:value="${text}"`;
}

/**
 * A workbook that the library wrote with stand-ins, with the formats for which they stand: as data styles, and with dates, times and
 * shares as what they are.
 */
export function withFormats(file: Uint8Array, formats: readonly string[]): Uint8Array {
  if (formats.length === 0) return file;
  const entries = unzipSync(file);
  const written = entries['content.xml'];
  if (!written) return file;
  const kinds = new Map<string, Kind>();
  const content = strFromU8(written)
    .replace(/<number:number-style style:name="N(\d+)">([\s\S]*?)<\/number:number-style>/g, (whole, number: string, inside: string) => {
      const at = new RegExp(`${MARK}(\\d+)`).exec(inside)?.[1];
      const format = at === undefined ? undefined : formats[Number(at)];
      if (format === undefined) return whole;
      kinds.set(number, kindOf(format));
      return styleOf(`N${number}`, format);
    })
    .replace(
      /office:value-type="float" office:value="([^"]*)"([^<>]*?) table:style-name="ce(\d+)"/g,
      (whole, value: string, between: string, at: string) => {
        const kind = kinds.get(at);
        return kind === undefined || kind === 'float' ? whole : `${valueAs(kind, value)}${between} table:style-name="ce${at}"`;
      },
    );
  // What the file is stands first in it, as it is (OpenDocument 1.2, part 3, section 3.3).
  const { mimetype, ...others } = entries;
  const all: Zippable = { ...(mimetype ? { mimetype: [mimetype, { level: 0 }] } : {}), ...others, 'content.xml': strToU8(content) };
  return zipSync(all, { level: 6 });
}
