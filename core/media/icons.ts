/**
 * The media shelf's icons, each one path on a 24 by 24 grid. Drawn for Zest Pane, so they are shipped and
 * written into a stylesheet as they stand.
 */
export const icons = [
  { name: 'boat', label: 'Boat', path: 'M3 14h18l-3 6H6zM11 2v10H5zM13 5v7h5z' },
  { name: 'clock', label: 'Clock', path: 'M12 2a10 10 0 1 0 0 20 10 10 0 0 0 0-20zm0 3a7 7 0 1 1 0 14 7 7 0 0 1 0-14zm-1 2v6l4 3 1-2-3-2V7z' },
  { name: 'pin', label: 'Place', path: 'M12 2a7 7 0 0 0-7 7c0 5 7 13 7 13s7-8 7-13a7 7 0 0 0-7-7zm0 4.5a2.5 2.5 0 1 1 0 5 2.5 2.5 0 0 1 0-5z' },
  { name: 'coin', label: 'Money', path: 'M12 2a10 10 0 1 0 0 20 10 10 0 0 0 0-20zm0 3a7 7 0 1 1 0 14 7 7 0 0 1 0-14zm-2 3v8h4V8z' },
  { name: 'star', label: 'Star', path: 'M12 2l3 7 7 .6-5.3 4.7L18.5 22 12 17.8 5.5 22l1.8-7.7L2 9.6 9 9z' },
  { name: 'person', label: 'Person', path: 'M12 3a4.5 4.5 0 1 0 0 9 4.5 4.5 0 0 0 0-9zM3 22c0-5 4-8 9-8s9 3 9 8z' },
  { name: 'flag', label: 'Flag', path: 'M4 2h2v20H4zM7 3h13l-3 5 3 5H7z' },
  { name: 'sum', label: 'Sum', path: 'M5 3h14v4h-8l4 5-4 5h8v4H5v-3l5-6-5-6z' },
  { name: 'up', label: 'Upwards', path: 'M12 5l8 11H4z' },
  { name: 'down', label: 'Downwards', path: 'M12 19L4 8h16z' },
  { name: 'dot', label: 'Dot', path: 'M12 6a6 6 0 1 0 0 12 6 6 0 0 0 0-12z' },
  { name: 'tick', label: 'Tick', path: 'M4 12l3-3 4 4 8-9 3 3-11 12z' },
  { name: 'dash', label: 'Dash', path: 'M5 10h14v4H5z' },
  { name: 'cross', label: 'Cross', path: 'M6 3l6 6 6-6 3 3-6 6 6 6-3 3-6-6-6 6-3-3 6-6-6-6z' },
] as const;

export type IconName = (typeof icons)[number]['name'];

const xml = (path: string, given: string): string => `<svg xmlns='http://www.w3.org/2000/svg' viewBox='0 0 24 24'${given}><path d='${path}'/></svg>`;
const address = (svg: string): string =>
  `data:image/svg+xml,${svg.replace(/%/g, '%25').replace(/#/g, '%23').replace(/</g, '%3C').replace(/>/g, '%3E')}`;

/** An icon's address as a stylesheet writes it: a picture of its shape, to be used as a mask. Undefined for a name that is none. */
export function iconAddress(name: string): string | undefined {
  const found = icons.find((icon) => icon.name === name);
  return found && `url("${address(xml(found.path, ''))}")`;
}

/** The address of a picture that is written as SVG. */
export const svgAddress = (svg: string): string => `url("${address(svg)}")`;
