import { toHex } from '../../../../../core/colour';
import type { ThemeView } from '../../../../../core/theme';

/** The colours that a theme has names for, as hexadecimal ones; one that cannot be read is left out. */
export const coloursOfView = (view: ThemeView | undefined): ReadonlyMap<string, string> =>
  new Map([...(view?.colours ?? [])].flatMap(([name, read]) => (read.ok ? [[name, toHex(read.value)] as const] : [])));
