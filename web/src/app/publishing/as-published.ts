import { firstValueFrom, type Observable } from 'rxjs';
import { isThemeBase, type Theme } from '../../../../core/theme';
import type { Api } from '../documents/api';

export type ThemeChain = readonly [Theme, ...Theme[]];

/** Asks once for each thing, however often it is needed. */
export type Once = <T>(key: string, request: Observable<T>) => Promise<T>;

export const askOnce = (): Once => {
  const asked = new Map<string, Promise<unknown>>();
  return <T>(key: string, request: Observable<T>): Promise<T> => {
    const known = asked.get(key) ?? firstValueFrom(request);
    asked.set(key, known);
    return known as Promise<T>;
  };
};

/** Themes as live pages have them: the newest edition of each, on those that it stands on; and how they would be with a theme published. */
export class AsPublished {
  constructor(
    private readonly api: Api,
    private readonly once: Once,
  ) {}

  /** The newest edition of a theme with what it stands on; undefined for one that has none. */
  async newest(id: string): Promise<ThemeChain | undefined> {
    if (id === '') return undefined;
    const [newest] = await this.once(`theme editions ${id}`, this.api.editions(id));
    return newest && this.once(`theme edition ${id}`, this.api.themeEdition(id, newest.number));
  }

  /** A theme as its next edition would be: as it is in the tool, on the newest editions of what it grows from. */
  async next(id: string): Promise<ThemeChain> {
    const { document } = await this.once(`theme ${id}`, this.api.document('themes', id));
    const { base } = document;
    if (!isThemeBase(base)) return [document];
    return [document, ...((await this.newest(base.theme)) ?? (await this.next(base.theme)))];
  }

  /** A theme as live pages would have it with another one published, which it is, or stands on. */
  async with(id: string, published: string): Promise<ThemeChain | undefined> {
    const next = await this.next(published);
    if (id === published) return next;
    const now = await this.newest(id);
    const at = now?.findIndex(({ base }) => isThemeBase(base) && base.theme === published) ?? -1;
    return now && at >= 0 ? [now[0], ...now.slice(1, at + 1), ...next] : now;
  }
}
