import { sheetOf, writeCss } from '../core/compile';
import { setSwatch, setValue, sprout } from '../core/edit';
import { Views, basesOver, starterBases, type Base, type Theme, type ThemeView } from '../core/theme';
import { gridTable } from '../core/tests/themes';
import { openMemory } from '../server/tests/memory';
import { createStores } from '../server/app';
import { emptyPage } from '../core/page';
import { ms, quantile, say, takeTurns } from './figures';

/** Themes that grow from one, and those of them that are seen at once in the library. */
const [GROWN, SHOWN] = [200, 24] as const;

/** One colour changed in a theme from which 200 grow: what the library then shows anew, beside 24 themes that grow from nothing of ours. */
export async function benchFamily(): Promise<void> {
  const base = { starter: 'nightfall', version: 2 };
  const brand = (run: number): Theme => setSwatch(sprout('Brand', base), { name: 'deep', colour: `#12${(16 + (run % 200)).toString(16)}4d` });
  const own = (name: string, of: Base, run: number): Theme =>
    setValue(sprout(name, of), { part: 'column-headers', condition: 'rest' }, 'letter-spacing', `${run % 3}px`);
  const grown = Array.from({ length: GROWN }, (_, i) => own(`Grown ${i}`, { theme: 'brand' }, i));
  const shown = grown.slice(0, SHOWN);
  let under = brand(0);
  const family = new Views(basesOver(starterBases, () => under));
  const alone = new Views(starterBases);
  const compile = (view: ThemeView): string => writeCss(sheetOf(view, { use: 'card', key: 'shown' }), 'compact');
  const bare = (run: number): unknown =>
    shown.map((_, i) =>
      compile(alone.of(setSwatch(own(`Alone ${i}`, base, i), { name: 'deep', colour: `#12${(16 + (run % 200)).toString(16)}4d` }))),
    );
  const ours = (run: number): unknown => {
    under = brand(run + 1);
    return shown.map((theme) => compile(family.of(theme)));
  };
  for (const theme of grown) family.of(theme);
  const [least = NaN, most = NaN] = takeTurns(9, [bare, ours]).map((times) => quantile(times, 0.5));
  say(
    `a colour changed below ${GROWN} themes: ${SHOWN} shown, alone, grown; ratio (at most 1.5)`,
    `${ms(least)}, ${ms(most)}; ${(most / least).toFixed(2)}`,
  );

  const database = await openMemory();
  const { themes, pages, tables } = createStores(database);
  const { id: table } = await tables.create(gridTable(6, 4));
  const { id } = await themes.create(sprout('Brand', base));
  const { id: single } = await themes.create(sprout('Single', base));
  const worn = [single];
  for (let i = 0; i < GROWN; i++) worn.push((await themes.create(own(`Grown ${i}`, { theme: id }, i))).id);
  for (const [i, theme] of worn.entries()) {
    const block = {
      kind: 'table',
      shows: { kind: 'tables', id: table },
      dress: { kind: 'themes', id: theme },
      width: 'fill',
      align: 'start',
      room: '0',
      visitor: null,
    } as const;
    const page = await pages.create({ ...emptyPage(`Page ${i}`, `page-${i}`), blocks: [{ ...block, id: 'a' }] });
    await pages.publish(page.id);
  }
  const time = async (work: () => Promise<unknown>): Promise<number> => {
    const times: number[] = [];
    for (let run = 0; run < 9; run++) {
      const before = performance.now();
      await work();
      times.push(performance.now() - before);
    }
    return quantile(times, 0.5);
  };
  const one = await time(() => pages.followers({ kind: 'theme', id: single }));
  const all = await time(() => pages.followers({ kind: 'theme', id }));
  say(
    `which of ${GROWN + 1} live pages a publish would change: of a theme of one, of one below ${GROWN}; ratio`,
    `${ms(one)}, ${ms(all)}; ${(all / one).toFixed(2)}`,
  );
  await themes.save(id, 1, brand(1));
  const before = performance.now();
  await pages.publishFor({ kind: 'theme', id }, []);
  say(`publishing it, with another edition for each of ${GROWN}`, ms(performance.now() - before));
  await database.close();
}
