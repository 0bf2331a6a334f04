import { svgAddress } from './icons';

/** The media shelf's pictures: quiet tiles to lie behind a header or a table. Grey and translucent, so that they go with any fill. */
const tile = (width: number, height: number, inside: string): string =>
  `<svg xmlns='http://www.w3.org/2000/svg' width='${width}' height='${height}' fill='none' stroke='#80808059'>${inside}</svg>`;

export const pictures = [
  { name: 'waves', label: 'Waves', svg: tile(40, 20, "<path stroke-width='2' d='M0 10q10-12 20 0t20 0'/>") },
  { name: 'stripes', label: 'Stripes', svg: tile(16, 16, "<path stroke-width='3' d='M-4 4l8-8M0 16L16 0M12 20l8-8'/>") },
  { name: 'dots', label: 'Dots', svg: tile(12, 12, "<circle cx='6' cy='6' r='1.5' fill='#80808059' stroke='none'/>") },
  { name: 'grid', label: 'Grid', svg: tile(16, 16, "<path d='M0 .5h16M.5 0v16'/>") },
  { name: 'weave', label: 'Weave', svg: tile(16, 16, "<path stroke-width='2' d='M0 4h8M8 12h8M4 8v8M12 0v8'/>") },
  { name: 'stars', label: 'Stars', svg: tile(48, 48, "<path stroke-width='2' d='M12 6v8M8 10h8M36 28v8M32 32h8M24 44v2M40 8v2'/>") },
] as const;

/** The address of a shelf picture as a stylesheet writes it; undefined for a name that is none. */
export function pictureAddress(name: string): string | undefined {
  const found = pictures.find((picture) => picture.name === name);
  return found && svgAddress(found.svg);
}
