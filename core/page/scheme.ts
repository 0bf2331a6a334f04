/** How a placed table goes with dark: it never is, always, or where the visitor has it so. */
export type Scheme = 'light' | 'dark' | 'follows';
export const schemes: readonly Scheme[] = ['light', 'dark', 'follows'];

interface Goes {
  readonly scheme?: Scheme;
}

/** How a placement goes with dark: as it says itself, else as its page does, else the whole site; where nobody says, it is bright. */
export const schemeOf = ({ scheme }: Goes, page: Goes, site: Scheme = 'light'): Scheme => scheme ?? page.scheme ?? site;
