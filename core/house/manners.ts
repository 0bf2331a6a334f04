/** A house stylesheet that ships with the practice site: the manner of one kind of old site. */
export interface Manner {
  readonly name: string;
  readonly label: string;
  readonly about: string;
  readonly css: string;
}

const page = `body {
  margin: 0 auto;
  max-width: 64rem;
  padding: 1rem 1.25rem 4rem;
  font: 1rem/1.55 Charter, "Bitstream Charter", Cambria, "Liberation Serif", serif;
  color: #1f2320;
  background: #fff;
}
#masthead p { margin: 0 0 2rem; font-weight: 700; }
h1 { font-size: 2rem; line-height: 1.15; margin: 0 0 1rem; }
p { max-width: 38rem; }
`;

/** The manners in which house stylesheets ship. The first leaves tables alone. */
export const manners: readonly Manner[] = [
  { name: 'plain', label: 'Leaves tables alone', about: 'A column of text, and nothing said of tables.', css: page },
  {
    name: 'reset',
    label: 'Strips everything',
    about: 'A reset: every element loses room, lines, type and its own look, and lists, links and tables with them.',
    css: `/* Everything begins from nothing. */
* { margin: 0; padding: 0; border: 0; }
html, body, div, span, h1, h2, h3, p, a, strong, em, small, sub, sup, code, mark, ul, ol, li, dl, dt, dd,
table, caption, colgroup, thead, tbody, tfoot, tr, th, td, button, input, select, label, form, fieldset {
  font: inherit;
  font-size: 100%;
  vertical-align: baseline;
  background: transparent;
  text-decoration: none;
  color: inherit;
}
table { border-collapse: collapse; border-spacing: 0; width: 100%; }
caption, th { text-align: left; font-weight: normal; }
ul, ol { list-style: none; }
svg, img { display: block; max-width: 100%; }
*:focus { outline: 0; }
body { max-width: 60rem; margin: 0 auto; padding: 24px; font: 15px/1.5 Verdana, "DejaVu Sans", sans-serif; color: #222; background: #fff; }
#masthead { border-bottom: 3px solid #222; margin-bottom: 24px; padding-bottom: 12px; }
h1 { font-size: 28px; margin-bottom: 14px; }
h2 { font-size: 21px; margin: 24px 0 8px; }
h3 { font-size: 17px; margin: 18px 0 6px; }
p { margin-bottom: 12px; }
.entry a { text-decoration: underline; color: #0645ad; }
.entry strong { font-weight: bold; }
`,
  },
  {
    name: 'elements',
    label: 'Dresses every table',
    about: 'Rules for table, th and td: lines, padding, bands and hovered rows for whatever table there is.',
    css: `body { max-width: 62rem; margin: 0 auto; padding: 16px 20px 60px; font: 16px/1.5 Georgia, "Liberation Serif", serif; color: #333; background: #fdfcf8; }
#masthead { font-family: Arial, "Liberation Sans", sans-serif; border-bottom: 1px solid #ccc; }
h1, h2, h3 { font-family: Arial, "Liberation Sans", sans-serif; color: #123; line-height: 1.2; }
p { margin: 0 0 14px; }
a { color: #a22; }
button { background: #eee; border: 1px solid #999; border-radius: 3px; padding: 3px 10px; }
input { border: 1px solid #aaa; padding: 4px; }
table { border-collapse: collapse; border: 2px solid #444; margin: 10px 0 24px; background: #fff; width: 100%; }
table caption { font-style: italic; padding: 6px; color: #666; caption-side: bottom; }
table th { background: #dde4ea; color: #123; text-align: left; font-family: Arial, "Liberation Sans", sans-serif; }
table th, table td { border: 1px solid #b5bcc4; padding: 10px 14px; font-size: 15px; vertical-align: top; }
table tr:nth-child(even) td { background: #f3f6f8; }
table tr:hover td { background: #fff6d5; }
table td:first-child { font-weight: bold; }
table tfoot td { border-top: 2px solid #444; text-transform: uppercase; }
@media print { table { border: 0; } }
@media (max-width: 600px) { table td, table th { padding: 4px 6px; font-size: 13px; } }
`,
  },
  {
    name: 'chains',
    label: 'Ids and long chains',
    about: 'Rules that begin at an id and go down through what stands in it, heavier than any class.',
    css: `body { margin: 0; font: 14px/1.6 Tahoma, Verdana, "DejaVu Sans", sans-serif; color: #333; background: #fff; }
#masthead { background: #20324a; color: #fff; padding: 14px 30px; }
#masthead p { margin: 0; font-size: 18px; }
#content { max-width: 60rem; margin: 0 auto; padding: 24px 30px; }
#content .entry h1 { font-size: 26px; color: #20324a; }
#content .entry p { margin: 0 0 12px; }
#content .entry a { color: #2a6496; text-decoration: underline; }
#content .entry table { width: 100%; margin: 0 0 20px; border-collapse: collapse; background-color: #fff; }
#content .entry table caption { text-align: left; font-weight: bold; color: #20324a; padding: 0 0 6px; }
#content .entry table thead tr th { background: #20324a; color: #fff; font-weight: normal; padding: 8px 10px; border-right: 1px solid #fff; }
#content .entry table tbody tr td, #content .entry table tbody tr th { border-bottom: 1px solid #ddd; padding: 7px 10px; line-height: 1.4; }
#content .entry table tbody tr:nth-child(odd) td { background: #f6f8fa; }
#content .entry table tbody tr:hover td { background: #e8f0f8; }
#content .entry table tfoot tr td { font-weight: bold; border-top: 2px solid #20324a; }
body #content div.entry section table.wide td { padding: 2px; }
#content .entry button { border-radius: 0; text-transform: uppercase; }
`,
  },
  {
    name: 'important',
    label: 'Insists here and there',
    about: 'Some declarations are !important, left from an old quarrel between two stylesheets.',
    css: `body { max-width: 62rem; margin: 0 auto; padding: 20px; font: 15px/1.5 "Trebuchet MS", "DejaVu Sans", sans-serif; color: #2b2b2b; background: #fff; }
h1, h2, h3 { color: #6a1b1b; margin: 0 0 .6em; }
p { margin: 0 0 1em; }
a { color: #6a1b1b; }
table { border-collapse: collapse !important; width: 100% !important; margin-bottom: 1.5em; }
th, td { padding: 5px 8px !important; text-align: left; border: 1px solid #c9b8a8; }
th { background-color: #6a1b1b; color: #fff !important; }
.entry td { font-size: 13px !important; background: none !important; }
.entry tr:hover td { background-color: #f7efe6 !important; }
#content caption { color: #6a1b1b !important; }
button { box-shadow: none !important; }
`,
  },
];

export const mannerOf = (name: string): Manner | undefined => manners.find((each) => each.name === name);
