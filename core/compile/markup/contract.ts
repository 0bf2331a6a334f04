/** The classes and attributes that the rules rely on; docs/markup.md describes them. What published pages load names them too (runtime/marks.ts). */
export const contract = {
  theme: (key: string): string => `zp-${key}`,
  around: (key: string): string => `zp-${key}-around`,
  inset: 'zp-inset',
  head: 'zp-head',
  heading: 'zp-heading',
  group: 'zp-group',
  corner: 'zp-corner',
  beside: 'zp-beside',
  uneven: 'zp-uneven',
  /** On rows that a merged cell holds together, where rows are boxes: it joins the row above, or goes on in the row below. */
  joins: 'zp-joins',
  goesOn: 'zp-goes-on',
  second: 'zp-second',
  last: 'zp-last',
  even: 'zp-even',
  end: 'zp-end',
  number: 'zp-number',
  pad: 'data-pad',
  sorted: 'zp-sorted',
  columnHovered: 'zp-over',
  sorts: 'data-sorts',
  button: 'zp-button',
  icon: 'zp-icon',
  picture: 'zp-picture',
  search: 'zp-search',
  info: 'zp-info',
  empty: 'zp-empty',
  pager: 'zp-pager',
  pagerItem: 'zp-page',
  sort: 'zp-sort',
  value: 'data-value',
  filter: 'data-filter',
  total: 'data-total',
  header: 'zp-header',
  choose: 'zp-choose',
  caption: (where: 'above' | 'below' | 'start' | 'center' | 'end' | 'unseen'): string => `zp-caption-${where}`,
  exception: (look: string): string => `zp-x-${look}`,
  /** On the cells of a column with a frame, and on those right after them, which draw no line at their start. */
  framed: (look: string): string => `zp-f-${look}`,
  afterFrame: (look: string): string => `zp-fa-${look}`,
  valueMark: (look: string): string => `zp-d-${look}`,
  textLook: (look: string): string => `zp-t-${look}`,
  which: (value: number): string => `zp-v-${value}`,
  no: 'zp-no',
  pinned: 'zp-pinned',
  frame: 'zp-frame',
  /** The box around a frame and its bars, whose width decides which of the theme's width steps holds; the name of the container too. */
  box: 'zp-box',
  container: 'zp',
  /** The element whose shadow root holds an isolated placement, and what in there takes nothing from the page. */
  host: 'zest-pane-table',
  alone: 'zp-alone',
  /** On a table that stands for another with its rows as columns. */
  turned: 'zp-turned',
  /** A column that gives way, on its cells; what opens the rest of a row, and what it opens. */
  yields: { first: 'zp-first-away', second: 'zp-second-away' },
  open: 'zp-open',
  left: 'zp-left',
  /** On a table with extra CSS of its own, and around it. */
  own: (css: string): string => `zp-own-${css}`,
  /** In a cell: what its column is called, shown where rows are stacked. Not part of its text. */
  label: 'zp-label',
  /** In a cell: what a merged cell of the rows above says for its row too, shown and heard where rows are stacked. Not part of its text. */
  again: 'zp-again',
  /** In a header cell: what its text stands in, so that it can be turned. */
  reads: 'zp-reads',
  /** In a cell: what its text stands in where it may be cut after some lines, and opens to the whole. */
  cut: 'zp-cut',
  /** A table whose labels stand in the page's stylesheet, but for those of cells that are not at their column's place. */
  named: 'zp-named',
  /** A custom property, on cells with a picture of their own: the picture. No swatch has this name. */
  behind: '--zp_behind',
  /** Custom properties, on cells: whether an icon stands beside the text, and its picture. */
  iconThere: '--zp_icon',
  iconShape: '--zp_shape',
  /** On a frame whose table is laid over several sheets where it is too wide: how wide one is at least. */
  sheets: 'data-sheets',
  /** A custom property, on such a frame while it is printed: how wide its parts are. */
  needs: '--zp_needs',
  /** A custom property, on cells of themes whose fills change gradually: the fill that the hand brings. */
  over: '--zp_over',
  /** A custom property, on rows and cells of themes whose rows are boxes: their own fill, for what reaches beyond them. */
  fill: '--zp_fill',
  about: 'zp-about',
  note: 'zp-note',
  selected: 'data-selected',
  held: 'data-held',
  /** Around the cards of a pricing table, and around its switches, in a theme and in any; the list of cards, a card, and what stands in one. */
  cards: (key: string): string => `zp-${key}-cards`,
  anyCards: 'zp-cards',
  /** In a card: a line that something stands on which has room of its own. */
  line: 'zp-line',
  plans: 'zp-plans',
  plan: 'zp-plan',
  featured: 'zp-featured',
  /** On a list of cards in which each feature has a line of its own, the same in every card. */
  common: 'zp-common',
  inCards: {
    badge: 'zp-badge',
    'plan-icon': 'zp-plan-icon',
    'plan-heading': 'zp-name',
    'plan-text': 'zp-said',
    price: 'zp-price',
    'earlier-price': 'zp-was',
    period: 'zp-monthly',
    saving: 'zp-saves',
    action: 'zp-act',
    'second-action': 'zp-act-too',
    'feature-group': 'zp-features-of',
    feature: 'zp-feature',
    'period-switch': 'zp-period',
  },
  /** In a price: its currency and its decimals. */
  sign: 'zp-sign',
  cents: 'zp-cents',
  /** On a feature that a plan does not have, and on one of which nothing is said. */
  absent: 'zp-absent',
  notSaid: 'zp-not-said',
  /** On a feature that is to be seen before others. */
  emphasised: 'zp-emphasised',
  /** Around the switches of what is chosen, beside everything that is chosen by them. */
  choices: 'zp-choices',
  /** The switch of plans of which one is shown at a time, and which of them. */
  choice: 'zp-choice',
  nthPlan: (at: number): string => `zp-q${at}`,
  /** The switch of periods; what is of one period alone, and which. */
  periods: 'zp-periods',
  ofPeriod: 'zp-of-period',
  nthPeriod: (at: number): string => `zp-p${at}`,
  /** The same of currencies. */
  currencies: 'zp-currencies',
  ofCurrency: 'zp-of-currency',
  nthCurrency: (at: number): string => `zp-c${at}`,
  /** Around a feature that says what it means when it is opened. */
  hint: 'zp-hint',
  /** A text that is heard and not seen. */
  heard: 'zp-heard',
  /** On a row that visitors' search or filters left out; one on another page is hidden alone. */
  out: 'data-out',
} as const;
