import { good, type Outcome } from '../outcome';
import { formatByEnding, type SourceKind } from './endings';
import { FILE_MOST, OTHER_MOST } from './limits';
import type { Encoding, Progress, Read, SourceOptions } from './raw';
import { readSeparated } from './readers/read-delimited';
import { readHtml } from './readers/read-html';
import { readJson } from './readers/read-json';
import { readMarkdown } from './readers/read-markdown';
import { readWorkbook } from './readers/read-workbook';
import { entryNames, startsWith } from './readers/zip';

/** What a file is read from: its bytes and, where it is text, that. */
export interface Source {
  readonly bytes: Uint8Array;
  readonly text: string;
  readonly encoding: Encoding;
  /** What was said of it while it was decoded. */
  readonly notes: readonly string[];
  /** The first letters, without a byte order mark and blanks in front. */
  readonly start: string;
  /** Ending of its name, in lower case without the point. */
  readonly ending: string;
}

interface Format {
  /** What a file of it is called within a sentence. */
  readonly name: string;
  /** Most bytes that are read. */
  readonly most: number;
  /** For what is no text: whether its bytes show that it is this. */
  readonly holds?: (bytes: Uint8Array) => boolean;
  /** Whether what stands in a text shows plainly that it is this, whatever its name says. */
  readonly tells: (source: Source) => boolean;
  /** Whether it is this where its name says so. */
  readonly canBe: (source: Source) => boolean;
  /** Whether it is taken for this where nothing shows plainly and its name says nothing that holds. */
  readonly maybe: (source: Source) => boolean;
  readonly read: (source: Source, options: SourceOptions, progress?: Progress) => Outcome<Read>;
}

const never = (): boolean => false;
const always = (): boolean => true;
/** Formats that tables come in from. Separated values are whatever else is text. */
const formats: Readonly<Record<SourceKind, Format>> = {
  workbook: {
    name: 'a workbook',
    most: OTHER_MOST,
    /** Compound files, and ZIP packages with a sheet in them; one that is cut off has lost its directory, which the reader says. */
    holds: (bytes) => {
      if (startsWith(bytes, 0xd0, 0xcf, 0x11, 0xe0)) return true;
      const names = entryNames(bytes);
      return names !== undefined && (names.length === 0 || names.some((name) => name.startsWith('xl/') || name === 'content.xml'));
    },
    tells: never,
    maybe: never,
    canBe: never,
    read: ({ bytes }, options) => readWorkbook(bytes, options),
  },
  html: {
    name: 'a web page',
    most: OTHER_MOST,
    tells: ({ start }) => /^(?:<!doctype html|<html|<table|<head|<body|<meta)\b/i.test(start),
    maybe: never,
    canBe: always,
    read: ({ text }, { piece }) => readHtml(text, piece),
  },
  json: {
    name: 'JSON',
    most: OTHER_MOST,
    tells: ({ start, ending }) => /^[[{]/.test(start) && (formatByEnding(ending) === 'json' || /^\s*(?:\[\s*[[{]|\{\s*")/.test(start)),
    maybe: never,
    canBe: ({ start }) => /^[[{]/.test(start),
    read: ({ text }) => {
      const raw = readJson(text);
      return raw.ok ? good({ raw: raw.value, pieces: [] }) : raw;
    },
  },
  markdown: {
    name: 'Markdown',
    most: OTHER_MOST,
    tells: never,
    maybe: ({ text }) => /^\s*\|?[^\n|]+\|[^\n]*\n\s*\|?\s*:?-{2,}:?\s*\|/m.test(text.slice(0, 5000)),
    canBe: always,
    read: ({ text }, { piece }) => readMarkdown(text, piece),
  },
  separated: {
    name: 'separated values',
    most: FILE_MOST,
    tells: never,
    maybe: always,
    /** Text files hold anything. */
    canBe: ({ ending }) => ending !== 'txt',
    read: ({ text, encoding, notes }, options, progress) => {
      const read = readSeparated(text, notes, options.separator, options, progress);
      if (!read.ok) return read;
      const { decimal } = read.value.raw;
      return good({ ...read.value, pieces: [], encoding, ...(decimal ? { decimal } : {}) });
    },
  },
};

export const formatOf = (kind: SourceKind): Format => formats[kind];
