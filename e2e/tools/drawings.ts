/**
 * Honest drawings, as people and drawing programs make them (SVG 2, SVG 1.1): gradients, masks, clip paths, filters, uses, style
 * elements, markers, patterns, texts, and what programs leave for themselves. Each `k` makes another one of its kind.
 */
const colours = ['#c0392b', 'teal', 'hsl(280 40% 50%)', 'rgb(20, 90, 200)', '#e2a90a'] as const;
const colour = (k: number): string => colours[k % colours.length] ?? 'black';

const kinds: readonly ((k: number) => string)[] = [
  (k) => `<defs><linearGradient id="a" x1="0" x2="1" gradientTransform="rotate(${k * 20})"><stop offset="0" stop-color="${colour(k)}"/>
    <stop offset=".6" stop-color="${colour(k + 1)}" stop-opacity=".5"/><stop offset="1"/></linearGradient></defs><rect width="120" height="90" fill="url(#a)"/>`,
  (k) => `<radialGradient id="r" cx=".4" cy=".4" r=".7" fx=".2" spreadMethod="${['pad', 'reflect', 'repeat'][k % 3]}">
    <stop stop-color="white"/><stop offset=".7" style="stop-color:${colour(k)}"/></radialGradient><circle cx="60" cy="45" r="40" style="fill:url('#r')"/>`,
  (
    k,
  ) => `<mask id="m" maskContentUnits="userSpaceOnUse"><rect width="120" height="90" fill="white"/><circle cx="${40 + k * 8}" cy="45" r="24"/></mask>
    <path d="M0 0h120v90H0z" fill="${colour(k)}" mask="url(#m)"/>`,
  (k) => `<clipPath id="c"><polygon points="60,4 116,86 4,86"/><circle cx="${20 + 20 * k}" cy="20" r="14"/></clipPath>
    <g clip-path="url(#c)"><rect width="120" height="90" fill="${colour(k)}"/><path d="M0 45h120" stroke="#fff" stroke-width="9"/></g>`,
  (k) => `<filter id="f" x="-20%" y="-20%" width="140%" height="140%"><feGaussianBlur in="SourceAlpha" stdDeviation="${1 + k}"/>
    <feOffset dx="4" dy="${k}"/><feComponentTransfer><feFuncA type="linear" slope=".5"/></feComponentTransfer>
    <feMerge><feMergeNode/><feMergeNode in="SourceGraphic"/></feMerge></filter><rect x="20" y="15" width="80" height="55" rx="9" fill="${colour(k)}" filter="url(#f)"/>`,
  (
    k,
  ) => `<filter id="f"><feTurbulence type="fractalNoise" baseFrequency=".0${k + 3}" numOctaves="2" seed="${k}"/><feColorMatrix type="saturate" values=".${k + 2}"/>
    <feComposite in2="SourceGraphic" operator="in"/></filter><ellipse cx="60" cy="45" rx="50" ry="34" filter="url(#f)"/>`,
  (k) => `<symbol id="s" viewBox="0 0 10 10"><path d="M5 0l1.5 3.5L10 5 6.5 6.5 5 10 3.5 6.5 0 5l3.5-1.5z"/></symbol>
    ${Array.from({ length: 3 + k }, (_, i) => `<use href="#s" x="${i * 15}" y="${20 + (i % 2) * 25}" width="24" height="24" fill="${colour(i)}"/>`).join('')}`,
  (k) => `<defs><g id="boat"><path d="M0 20h40l-6 10H6z"/><path d="M20 0v18H8z" fill="${colour(k)}"/></g></defs>
    <use xlink:href="#boat" transform="translate(10 ${10 + k * 4})"/><use xlink:href="#boat" transform="translate(115 40) scale(-1 1)" opacity=".5"/>`,
  (
    k,
  ) => `<style>.a{fill:${colour(k)};stroke:#222}.a,.b{stroke-width:3px}g&gt;.b{fill:none;stroke:${colour(k + 2)};stroke-dasharray:${k + 2} 3}</style>
    <g><rect class="a" x="10" y="10" width="50" height="40"/><circle class="b" cx="80" cy="50" r="30"/></g>`,
  (k) => `<style type="text/css"><![CDATA[
      @media all { #x { fill: ${colour(k)} } }
      :root { --line: ${colour(k + 1)} }
      path { stroke: var(--line); stroke-linejoin: round; vector-effect: non-scaling-stroke }
    ]]></style><path id="x" d="M10 80C20 ${k * 10},100 10,110 80z" stroke-width="4"/>`,
  (
    k,
  ) => `<marker id="m" viewBox="0 0 6 6" refX="5" refY="3" markerWidth="5" markerHeight="5" orient="auto-start-reverse"><path d="M0 0l6 3-6 3z"/></marker>
    <polyline points="10,80 40,${20 + k * 6} 70,60 110,12" fill="none" stroke="${colour(k)}" stroke-width="2" marker-end="url(#m)" marker-start="url(#m)"/>`,
  (
    k,
  ) => `<pattern id="p" width="${8 + k}" height="8" patternUnits="userSpaceOnUse" patternTransform="rotate(${30 + k})"><path d="M0 0v8" stroke="${colour(k)}" stroke-width="5"/></pattern>
    <rect x="5" y="5" width="110" height="80" rx="12" fill="url(#p) none"/>`,
  (
    k,
  ) => `<path id="way" d="M10 70Q60 ${k * 8} 110 70" fill="none"/><text font-family="sans-serif" font-size="13" fill="${colour(k)}"><textPath href="#way" startOffset="5%">Φέρι للعبّارة tide ${k}</textPath></text>
    <text x="60" y="88" text-anchor="middle" font-size="9">low <tspan dy="-3" font-weight="bold">water</tspan></text>`,
  (k) => `<image x="10" y="10" width="${60 + k * 6}" height="60" preserveAspectRatio="xMidYMid slice" style="image-rendering:pixelated"
    href="data:image/png;base64,iVBORw0KGgoAAAANSUhEUgAAAAIAAAACCAIAAAD91JpzAAAAFklEQVQIW2P8z8DAwMDAxMDAwMDAAAANHQEDasKb6QAAAABJRU5ErkJggg=="/>
    <rect x="30" y="30" width="40" height="40" fill="${colour(k)}" style="mix-blend-mode:multiply"/>`,
  (k) => `<switch><text systemLanguage="xx" y="40">never</text><g><circle cx="45" cy="45" r="30" fill="${colour(k)}" fill-opacity=".6"/>
    <circle cx="75" cy="45" r="30" fill="${colour(k + 1)}" style="isolation:isolate;mix-blend-mode:screen"/></g></switch>`,
];

/** What programs put around a drawing: a plain one, one with a prolog, one with a program's own marks, and one without sizes. */
const hands: readonly ((inside: string) => string)[] = [
  (inside) => `<svg xmlns="http://www.w3.org/2000/svg" xmlns:xlink="http://www.w3.org/1999/xlink" width="120" height="90">${inside}</svg>`,
  (inside) => `<?xml version="1.0" encoding="UTF-8" standalone="no"?>
<!DOCTYPE svg PUBLIC "-//W3C//DTD SVG 1.1//EN" "http://www.w3.org/Graphics/SVG/1.1/DTD/svg11.dtd">
<!-- drawn on a Tuesday -->
<svg version="1.1" xmlns="http://www.w3.org/2000/svg" xmlns:xlink="http://www.w3.org/1999/xlink" viewBox="0 0 120 90" width="120px" height="90px" xml:space="preserve">${inside}</svg>`,
  (
    inside,
  ) => `<svg xmlns="http://www.w3.org/2000/svg" xmlns:xlink="http://www.w3.org/1999/xlink" xmlns:draw="urn:example:drawing-table" xmlns:dc="http://purl.org/dc/elements/1.1/"
  viewBox="0 0 120 90" width="120" height="90" draw:zoom="4"><title>A ferry</title><desc>As it leaves</desc>
  <metadata><dc:title>Ferry</dc:title><draw:pages><draw:page n="1"/></draw:pages></metadata><draw:view grid="true"/><g draw:layer="one">${inside}</g></svg>`,
  (inside) =>
    `\uFEFF<svg:svg xmlns:svg="http://www.w3.org/2000/svg" xmlns:xlink="http://www.w3.org/1999/xlink" xmlns="http://www.w3.org/2000/svg" viewBox="0 0 120 90" width="120" height="90" style="background:#fff">${inside}</svg:svg>`,
];

/** Sixty of them: every kind in every hand. */
export const honestDrawings: readonly string[] = kinds.flatMap((draw, kind) => hands.map((hand, at) => hand(draw((kind + at) % 5))));
