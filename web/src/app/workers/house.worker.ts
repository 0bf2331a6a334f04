import { expose } from 'comlink';
import { compilePage, type PageInput } from '../../../../core/compile';
import { viewOfChain, type ThemeView } from '../../../../core/theme';
import { darkOfHouse, judge, NOTHING_JUDGED, readHouse, type HouseDark, type HouseSheet, type Judgement, type Notice } from '../../../../core/house';

/** A house stylesheet as pages carry it, and what was left out of it; or why it cannot be read. */
export interface HouseReading {
  readonly css: string;
  readonly rules: number;
  readonly notices: readonly Notice[];
  readonly more: number;
  readonly refused: string;
  /** How it goes dark where the visitor has it dark; undefined where it does not. */
  readonly dark: HouseDark | undefined;
}

/** What a page is compiled from, as it is sent: each theme as its chain. */
export interface SentInput extends Omit<PageInput, 'themes'> {
  readonly themes: ReadonlyMap<string, { readonly key: string; readonly chain: ThemeView['chain'] }>;
}

/** Reads house stylesheets and weighs them against pages, off the interface's thread. */
class HouseReader {
  /** The last one that was read: it is asked about again at every edit of a page. */
  private source = '';
  private sheet: HouseSheet | undefined;
  private refused = '';

  read(source: string): HouseReading {
    this.take(source);
    const { css = '', rules = [], notices = [], more = 0 } = this.sheet ?? {};
    return { css, rules: rules.length, notices, more, refused: this.refused, dark: darkOfHouse(css) };
  }

  judge(source: string, input: SentInput): Judgement {
    this.take(source);
    if (!this.sheet) return NOTHING_JUDGED;
    const themes = new Map([...input.themes].map(([ref, { key, chain }]) => [ref, { key, view: viewOfChain(chain) }]));
    return judge(compilePage({ ...input, themes }, { stylesheet: '', siteName: '' }), this.sheet);
  }

  private take(source: string): void {
    if (source === this.source) return;
    const read = readHouse(source);
    this.source = source;
    this.sheet = read.ok ? read.value : undefined;
    this.refused = read.ok ? '' : (read.problems[0]?.say ?? '');
  }
}

export type HouseWorker = HouseReader;
expose(new HouseReader());
