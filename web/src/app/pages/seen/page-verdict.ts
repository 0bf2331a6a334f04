/** What is seen of a page's tables at one width. */
export interface Seen {
  /** Tables wider than their frame, and by how many px. */
  readonly beyond: readonly { readonly name: string; readonly px: number }[];
  /** Names of tables that scroll in their frame since their theme says so. */
  readonly scrolling: readonly string[];
  /** Names of tables whose rows are blocks. */
  readonly stacked: readonly string[];
  /** By how many px the page itself is wider than its window. */
  readonly sideways: number;
  /** Controls of tables that are smaller than a target has to be (WCAG 2.2, 2.5.8). */
  readonly small: number;
}

/** A target is at least so many px wide and high (WCAG 2.2, 2.5.8). */
const TARGET = 24;

/** Looks at a page as it is laid out. */
export function lookAt(page: Document): Seen {
  const roots = [page, ...[...page.querySelectorAll('zest-pane-table')].flatMap(({ shadowRoot }) => shadowRoot ?? [])];
  const all = (selector: string): HTMLElement[] => roots.flatMap((root) => [...root.querySelectorAll<HTMLElement>(selector)]);
  const frames = all('.zp-frame');
  const nameOf = (frame: HTMLElement): string => frame.querySelector('caption')?.textContent.trim() ?? frame.getAttribute('aria-label') ?? '';
  const isStacked = (frame: HTMLElement): boolean => {
    const body = frame.querySelector('tbody');
    return body !== null && page.defaultView?.getComputedStyle(body).display === 'block';
  };
  const sideways = (frame: HTMLElement): number => frame.scrollWidth - frame.clientWidth;
  // A frame that its theme lets scroll shows by a shade that there is more, and for that listens to its own scrolling.
  const isMeant = (frame: HTMLElement): boolean => (page.defaultView?.getComputedStyle(frame).animationName ?? 'none') !== 'none';
  const controls = all('.zp-sort, .zp-page, .zp-pager select, [data-columns], [data-filters] summary');
  return {
    beyond: frames.flatMap((frame) => (sideways(frame) > 1 && !isMeant(frame) ? [{ name: nameOf(frame), px: sideways(frame) }] : [])),
    scrolling: frames.filter((frame) => sideways(frame) > 1 && isMeant(frame)).map(nameOf),
    stacked: frames.filter(isStacked).map(nameOf),
    sideways: Math.max(0, page.documentElement.scrollWidth - page.documentElement.clientWidth),
    small: controls.filter((control) => {
      const { width, height } = control.getBoundingClientRect();
      return width > 0 && Math.min(width, height) < TARGET - 0.5;
    }).length,
  };
}

/** What is seen, in one short line. */
export function verdictOf({ beyond, scrolling, stacked, sideways, small }: Seen): string {
  const tables = (count: number): string => (count === 1 ? '1 table' : `${count} tables`);
  const most = Math.max(0, ...beyond.map(({ px }) => px));
  const said = [
    ...(sideways > 0 ? [`the page scrolls sideways by ${sideways} px`] : []),
    ...(beyond.length > 0 ? [`${tables(beyond.length)} too wide by ${beyond.length > 1 ? 'up to ' : ''}${most} px`] : []),
    ...(scrolling.length > 0 ? [`${tables(scrolling.length)} ${scrolling.length === 1 ? 'scrolls' : 'scroll'}`] : []),
    ...(stacked.length > 0 ? [`${tables(stacked.length)} stacked`] : []),
    ...(small > 0 ? [`${small === 1 ? '1 control' : `${small} controls`} under ${TARGET} px`] : []),
  ];
  return sideways === 0 && beyond.length === 0 ? ['fits', ...said].join(', ') : said.join(', ');
}

/** Which tables, a line each. */
export const detailOf = ({ beyond, scrolling, stacked }: Seen): string =>
  [
    ...beyond.map(({ name, px }) => `${name}: ${px} px beyond its frame`),
    ...scrolling.map((name) => `${name}: scrolls in its frame`),
    ...stacked.map((name) => `${name}: stacked`),
  ].join('\n');

/** The narrowest window for which pages are looked at when they go live, in px (WCAG 2.2, 1.4.10). */
export const NARROW = 320;
/** What does not fit into a narrow window, in a sentence; empty where all does. */
export function narrowWarning({ beyond, sideways }: Seen): string {
  const tables = beyond.map(({ name, px }) => `“${name}” by ${px} px`);
  if (tables.length > 0)
    return `At ${NARROW} px too wide: ${tables.slice(0, 3).join(', ')}${tables.length > 3 ? ` and ${tables.length - 3} more` : ''}.`;
  return sideways > 0 ? `At ${NARROW} px the page scrolls sideways by ${sideways} px.` : '';
}
