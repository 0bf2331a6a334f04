/** Languages in which the labels of what a visitor can do are ready. */
export const labelLanguages = ['en', 'de', 'fr', 'es', 'el', 'ar'] as const;
export type LabelLanguage = (typeof labelLanguages)[number];

/** What can be said around a table. `{…}` stand for numbers and names that are put in. */
export const words = [
  { name: 'search', label: 'Beside the search field' },
  { name: 'info', label: 'Rows that are shown', puts: ['from', 'to', 'count'] },
  { name: 'found', label: 'Rows that were found', puts: ['from', 'to', 'count', 'all'] },
  { name: 'empty', label: 'Where nothing was found' },
  { name: 'filter', label: 'Opens the filters' },
  { name: 'any', label: 'No choice made' },
  { name: 'from', label: 'From an amount or a day on', puts: ['column'] },
  { name: 'to', label: 'Up to an amount or a day', puts: ['column'] },
  { name: 'clear', label: 'Empties the filters' },
  { name: 'size', label: 'Beside the size of a page' },
  { name: 'pages', label: 'Name of the pages' },
  { name: 'previous', label: 'To the page before' },
  { name: 'next', label: 'To the next page' },
  { name: 'page', label: 'Name of a page', puts: ['page'] },
  { name: 'ascending', label: 'Sorted upwards', puts: ['column'] },
  { name: 'descending', label: 'Sorted downwards', puts: ['column'] },
  { name: 'unsorted', label: 'No longer sorted' },
  { name: 'choose', label: 'Name of a row’s tick box', puts: ['row'] },
  { name: 'chosen', label: 'Rows that were chosen', puts: ['count'] },
  { name: 'more', label: 'Shows all columns' },
  { name: 'fewer', label: 'Shows the usual columns again' },
] as const satisfies readonly { name: string; label: string; puts?: readonly string[] }[];
export type Word = (typeof words)[number]['name'];
export type Wording = Readonly<Record<Word, string>>;

/** What visitors can do with a placed table. */
export interface Visitor {
  readonly sort: boolean;
  readonly search: boolean;
  /** Whether each column has a filter: words, a range, or one of its values. */
  readonly filter: boolean;
  /** Whether it is said which rows are shown. */
  readonly info: boolean;
  /** Rows on one page, up to 1,000; 0 for all on one. */
  readonly pageRows: number;
  /** Whether they can choose another number of rows. */
  readonly sizes: boolean;
  /** Names of the columns that they cannot sort by. */
  readonly unsorted: readonly string[];
  /**
   * By which column rows are sorted at first: the one of that name, wherever it went, or the one that stands there, counted
   * from 0. Null for their own order.
   */
  readonly first: { readonly column: number; readonly name: string; readonly direction: 'ascending' | 'descending' } | null;
  /** Whether they can choose rows, each by a tick box. */
  readonly choose: boolean;
  /** Whether they can have the columns shown that are hidden. */
  readonly columns: boolean;
  /** Whether a click anywhere in a row follows its first link. */
  readonly rowLink: boolean;
  /** Whether the header stays in view, in a frame no higher than the window. */
  readonly header: boolean;
  /** Whether totals are of the rows that were found, and not of all. */
  readonly totals: boolean;
  /** Whether sorting, search and page stand in the address, so that it can be passed on. */
  readonly address: boolean;
  readonly language: LabelLanguage;
  /** Labels in the person's own words; those that are missing are the language's. */
  readonly wording: Partial<Wording>;
}
/** What not every page with a table for visitors has, and so loads only where it does; in the order in which each has its say. */
export const visitorFeatures = ['address', 'filters', 'choose', 'totals', 'columns', 'rowLink'] as const;
export type VisitorFeature = (typeof visitorFeatures)[number];

/** Which of these visitors have on at least one of some tables. */
export const featuresOf = (visitors: readonly Visitor[]): readonly VisitorFeature[] =>
  visitorFeatures.filter((name) => visitors.some((visitor) => (name === 'filters' ? visitor.filter : visitor[name])));

export const PLAIN_VISITOR: Visitor = {
  sort: true,
  search: true,
  filter: false,
  info: true,
  pageRows: 20,
  sizes: false,
  choose: false,
  columns: false,
  rowLink: false,
  header: false,
  totals: false,
  unsorted: [],
  first: null,
  address: false,
  language: 'en',
  wording: {},
};

const ready: Readonly<Record<LabelLanguage, Wording>> = {
  en: {
    search: 'Search',
    info: 'Rows {from} to {to} of {count}',
    found: 'Rows {from} to {to} of {count} found among {all}',
    empty: 'No row has these words.',
    filter: 'Filter',
    any: 'any',
    from: '{column} from',
    to: '{column} up to',
    clear: 'Clear',
    size: 'Rows on a page',
    pages: 'Pages',
    previous: 'Page before',
    next: 'Next page',
    page: 'Page {page}',
    ascending: 'Sorted upwards by {column}',
    descending: 'Sorted downwards by {column}',
    unsorted: 'In their own order again',
    choose: 'Choose {row}',
    chosen: '{count} chosen',
    more: 'All columns',
    fewer: 'Fewer columns',
  },
  de: {
    search: 'Suchen',
    info: 'Zeilen {from} bis {to} von {count}',
    found: 'Zeilen {from} bis {to} von {count}, gefunden unter {all}',
    empty: 'Keine Zeile enthält diese Wörter.',
    filter: 'Filtern',
    any: 'beliebig',
    from: '{column} ab',
    to: '{column} bis',
    clear: 'Zurücksetzen',
    size: 'Zeilen auf einer Seite',
    pages: 'Seiten',
    previous: 'Vorige Seite',
    next: 'Nächste Seite',
    page: 'Seite {page}',
    ascending: 'Aufsteigend sortiert nach {column}',
    descending: 'Absteigend sortiert nach {column}',
    unsorted: 'Wieder in ihrer eigenen Reihenfolge',
    choose: '{row} auswählen',
    chosen: '{count} ausgewählt',
    more: 'Alle Spalten',
    fewer: 'Weniger Spalten',
  },
  fr: {
    search: 'Rechercher',
    info: 'Lignes {from} à {to} sur {count}',
    found: 'Lignes {from} à {to} sur {count} trouvées parmi {all}',
    empty: 'Aucune ligne ne contient ces mots.',
    filter: 'Filtrer',
    any: 'tous',
    from: '{column} à partir de',
    to: '{column} jusqu’à',
    clear: 'Effacer',
    size: 'Lignes par page',
    pages: 'Pages',
    previous: 'Page précédente',
    next: 'Page suivante',
    page: 'Page {page}',
    ascending: 'Tri croissant par {column}',
    descending: 'Tri décroissant par {column}',
    unsorted: 'De nouveau dans leur ordre',
    choose: 'Choisir {row}',
    chosen: '{count} choisies',
    more: 'Toutes les colonnes',
    fewer: 'Moins de colonnes',
  },
  es: {
    search: 'Buscar',
    info: 'Filas {from} a {to} de {count}',
    found: 'Filas {from} a {to} de {count} halladas entre {all}',
    empty: 'Ninguna fila contiene estas palabras.',
    filter: 'Filtrar',
    any: 'cualquiera',
    from: '{column} desde',
    to: '{column} hasta',
    clear: 'Borrar',
    size: 'Filas por página',
    pages: 'Páginas',
    previous: 'Página anterior',
    next: 'Página siguiente',
    page: 'Página {page}',
    ascending: 'En orden ascendente por {column}',
    descending: 'En orden descendente por {column}',
    unsorted: 'De nuevo en su propio orden',
    choose: 'Elegir {row}',
    chosen: '{count} elegidas',
    more: 'Todas las columnas',
    fewer: 'Menos columnas',
  },
  el: {
    search: 'Αναζήτηση',
    info: 'Γραμμές {from} έως {to} από {count}',
    found: 'Γραμμές {from} έως {to} από {count} που βρέθηκαν σε {all}',
    empty: 'Καμία γραμμή δεν έχει αυτές τις λέξεις.',
    filter: 'Φίλτρα',
    any: 'οποιοδήποτε',
    from: '{column} από',
    to: '{column} έως',
    clear: 'Καθαρισμός',
    size: 'Γραμμές ανά σελίδα',
    pages: 'Σελίδες',
    previous: 'Προηγούμενη σελίδα',
    next: 'Επόμενη σελίδα',
    page: 'Σελίδα {page}',
    ascending: 'Αύξουσα ταξινόμηση κατά {column}',
    descending: 'Φθίνουσα ταξινόμηση κατά {column}',
    unsorted: 'Ξανά στη δική τους σειρά',
    choose: 'Επιλογή {row}',
    chosen: '{count} επιλεγμένες',
    more: 'Όλες οι στήλες',
    fewer: 'Λιγότερες στήλες',
  },
  ar: {
    search: 'بحث',
    info: 'الصفوف {from} إلى {to} من {count}',
    found: 'الصفوف {from} إلى {to} من {count} من أصل {all}',
    empty: 'لا يوجد صف يحتوي على هذه الكلمات.',
    filter: 'تصفية',
    any: 'الكل',
    from: '{column} من',
    to: '{column} إلى',
    clear: 'مسح',
    size: 'صفوف في الصفحة',
    pages: 'الصفحات',
    previous: 'الصفحة السابقة',
    next: 'الصفحة التالية',
    page: 'الصفحة {page}',
    ascending: 'مرتبة تصاعديًا حسب {column}',
    descending: 'مرتبة تنازليًا حسب {column}',
    unsorted: 'عادت إلى ترتيبها الأصلي',
    choose: 'اختيار {row}',
    chosen: 'تم اختيار {count}',
    more: 'كل الأعمدة',
    fewer: 'أعمدة أقل',
  },
};

/** The labels as they are said: the language's, with the person's own in their place. */
export const wordingOf = ({ language, wording }: Visitor): Wording => ({ ...ready[language], ...wording });
/** Whether the labels are read from right to left. */
export const isRightToLeft = (language: LabelLanguage): boolean => language === 'ar';
