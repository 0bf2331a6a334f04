import { expose } from 'comlink';
import { fontFamiliesOf } from './font-families';
import { canvasMeasure, type Wanted } from './canvas-measure';
import { fitOf, proposeSteps, stretchesOfWidth, type Measure, type Need, type Proposal, type Stretch, type TypeSetting } from '../../../../core/fit';
import type { Table } from '../../../../core/table';
import { facesOf, familiesIn, fontAddress, viewOfChain, type ThemeView } from '../../../../core/theme';

/** What was worked out, and the texts of which the width has to be looked at in the document first: then it is not final. */
export interface Worked<T> {
  readonly value: T;
  readonly wanted: readonly Wanted[];
}

const keyOf = (text: string, type: TypeSetting): string => JSON.stringify([text, type]);

/** Works out how wide tables have to be, off the interface's thread. */
class Fitter {
  private readonly known = new Map<string, number>();
  private readonly loaded = new Set<string>();
  private wanted = new Map<string, Wanted>();
  private measure: Measure | undefined;

  async stretches(chain: ThemeView['chain'], table: Table, most: number, pageFamily: string): Promise<Worked<readonly Stretch[]>> {
    const view = viewOfChain(chain);
    await this.load(view);
    return this.worked((measure) => stretchesOfWidth(view, table, measure, most), pageFamily);
  }
  /** What each column needs at a width step. */
  async columns(chain: ThemeView['chain'], step: string, table: Table, pageFamily: string): Promise<Worked<readonly Need[]>> {
    const view = viewOfChain(chain);
    await this.load(view);
    return this.worked((measure) => fitOf(view.at(step), table, measure).columns, pageFamily);
  }
  async proposal(chain: ThemeView['chain'], table: Table, pageFamily: string): Promise<Worked<Proposal>> {
    const view = viewOfChain(chain);
    await this.load(view);
    return this.worked((measure) => proposeSteps(view, table, measure), pageFamily);
  }
  /** Takes widths that were looked at in the document. */
  learn(wanted: readonly Wanted[], widths: readonly number[]): void {
    if (this.known.size > 50_000) this.known.clear();
    wanted.forEach(([text, type], i) => this.known.set(keyOf(text, type), widths[i] ?? 0));
  }

  private worked<T>(work: (measure: Measure) => T, pageFamily: string): Worked<T> {
    this.wanted = new Map();
    const context = new OffscreenCanvas(1, 1).getContext('2d');
    if (!context) throw new Error('There is no canvas to measure with');
    this.measure ??= canvasMeasure(context, pageFamily, (text, type) => {
      const key = keyOf(text, type);
      const width = this.known.get(key);
      if (width === undefined) this.wanted.set(key, [text, type]);
      return width;
    });
    const value = work(this.measure);
    return { value, wanted: [...this.wanted.values()] };
  }

  /** Loads the shipped families that a theme names, once each. */
  private async load(view: ThemeView): Promise<void> {
    const faces = familiesIn(fontFamiliesOf(view))
      .filter(({ family }) => !this.loaded.has(family))
      .flatMap((family) => {
        this.loaded.add(family.family);
        return facesOf(family).map(
          ({ file, weights, range }) => new FontFace(family.family, `url(${fontAddress(file)})`, { weight: weights, unicodeRange: range }),
        );
      });
    const { fonts } = self as unknown as { readonly fonts: { add(face: FontFace): void } };
    await Promise.allSettled(
      faces.map(async (face) => {
        fonts.add(face);
        await face.load();
      }),
    );
    // What was measured before with what stood in for them is no longer right.
    if (faces.length > 0) this.measure = undefined;
  }
}

export type FitWorker = Fitter;
expose(new Fitter());
