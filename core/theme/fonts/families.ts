/**
 * Font families that are shipped for use in themes, all under open licences (SIL OFL 1.1; Roboto Slab under
 * Apache 2.0): each as variable files, one for each range of letters, so that a page loads those it needs only.
 */
export interface Family {
  /** As values name it. */
  readonly name: string;
  readonly label: string;
  /** The family as CSS names it, and what stands in for it until it has been loaded. */
  readonly family: string;
  readonly instead: string;
  /** The start of its files' names. */
  readonly file: string;
  readonly weights: string;
  readonly letters: readonly Letters[];
}

/** Ranges of letters, as the families' files are cut (CSS Fonts 4, section 4.5: unicode-range). */
export const letters = {
  latin:
    'U+0000-00FF,U+0131,U+0152-0153,U+02BB-02BC,U+02C6,U+02DA,U+02DC,U+0304,U+0308,U+0329,U+2000-206F,U+20AC,U+2122,U+2191,U+2193,U+2212,U+2215,U+FEFF,U+FFFD',
  'latin-ext':
    'U+0100-02BA,U+02BD-02C5,U+02C7-02CC,U+02CE-02D7,U+02DD-02FF,U+0304,U+0308,U+0329,U+1D00-1DBF,U+1E00-1E9F,U+1EF2-1EFF,U+2020,U+20A0-20AB,U+20AD-20C4,U+2113,U+2C60-2C7F,U+A720-A7FF',
  greek: 'U+0370-0377,U+037A-037F,U+0384-038A,U+038C,U+038E-03A1,U+03A3-03FF',
  cyrillic: 'U+0301,U+0400-045F,U+0490-0491,U+04B0-04B1,U+2116',
  arabic:
    'U+0600-06FF,U+0750-077F,U+0870-088E,U+0890-0891,U+0897-08E1,U+08E3-08FF,U+200C-200E,U+2010-2011,U+204F,U+2E41,U+FB50-FDFF,U+FE70-FE74,U+FE76-FEFC,U+102E0-102FB,U+10E60-10E7E,U+10EC2-10EC4,U+10EFC-10EFF,U+1EE00-1EE03,U+1EE05-1EE1F,U+1EE21-1EE22,U+1EE24,U+1EE27,U+1EE29-1EE32,U+1EE34-1EE37,U+1EE39,U+1EE3B,U+1EE42,U+1EE47,U+1EE49,U+1EE4B,U+1EE4D-1EE4F,U+1EE51-1EE52,U+1EE54,U+1EE57,U+1EE59,U+1EE5B,U+1EE5D,U+1EE5F,U+1EE61-1EE62,U+1EE64,U+1EE67-1EE6A,U+1EE6C-1EE72,U+1EE74-1EE77,U+1EE79-1EE7C,U+1EE7E,U+1EE80-1EE89,U+1EE8B-1EE9B,U+1EEA1-1EEA3,U+1EEA5-1EEA9,U+1EEAB-1EEBB,U+1EEF0-1EEF1',
  vietnamese:
    'U+0102-0103,U+0110-0111,U+0128-0129,U+0168-0169,U+01A0-01A1,U+01AF-01B0,U+0300-0301,U+0303-0304,U+0308-0309,U+0323,U+0329,U+1EA0-1EF9,U+20AB',
} as const;
export type Letters = keyof typeof letters;

export const families: readonly Family[] = [
  {
    name: 'source serif',
    label: 'Bookish, with Greek and Cyrillic',
    family: 'Source Serif 4',
    instead: 'Cambria, "Liberation Serif", serif',
    file: 'source-serif-4',
    weights: '200 900',
    letters: ['latin', 'latin-ext', 'greek', 'cyrillic', 'vietnamese'],
  },
  {
    name: 'newsreader',
    label: 'For reading on',
    family: 'Newsreader',
    instead: 'Cambria, "Liberation Serif", serif',
    file: 'newsreader',
    weights: '200 800',
    letters: ['latin', 'latin-ext', 'vietnamese'],
  },
  {
    name: 'fraunces',
    label: 'Soft old style, for names',
    family: 'Fraunces',
    instead: '"Palatino Linotype", P052, serif',
    file: 'fraunces',
    weights: '100 900',
    letters: ['latin', 'latin-ext', 'vietnamese'],
  },
  {
    name: 'inter',
    label: 'Plain, with Greek and Cyrillic',
    family: 'Inter',
    instead: 'Arial, "Liberation Sans", sans-serif',
    file: 'inter',
    weights: '100 900',
    letters: ['latin', 'latin-ext', 'greek', 'cyrillic', 'vietnamese'],
  },
  {
    name: 'figtree',
    label: 'Friendly and clear',
    family: 'Figtree',
    instead: 'Arial, "Liberation Sans", sans-serif',
    file: 'figtree',
    weights: '300 900',
    letters: ['latin', 'latin-ext'],
  },
  {
    name: 'work sans',
    label: 'Wide and even',
    family: 'Work Sans',
    instead: 'Arial, "Liberation Sans", sans-serif',
    file: 'work-sans',
    weights: '100 900',
    letters: ['latin', 'latin-ext', 'vietnamese'],
  },
  {
    name: 'archivo',
    label: 'Narrow and strong',
    family: 'Archivo',
    instead: 'Arial, "Liberation Sans", sans-serif',
    file: 'archivo',
    weights: '100 900',
    letters: ['latin', 'latin-ext', 'vietnamese'],
  },
  {
    name: 'manrope',
    label: 'Geometric, with Greek and Cyrillic',
    family: 'Manrope',
    instead: 'Arial, "Liberation Sans", sans-serif',
    file: 'manrope',
    weights: '200 800',
    letters: ['latin', 'latin-ext', 'greek', 'cyrillic', 'vietnamese'],
  },
  {
    name: 'bitter',
    label: 'Slab for text',
    family: 'Bitter',
    instead: 'Rockwell, "DejaVu Serif", serif',
    file: 'bitter',
    weights: '100 900',
    letters: ['latin', 'latin-ext', 'cyrillic', 'vietnamese'],
  },
  {
    name: 'roboto slab',
    label: 'Slab, with Greek and Cyrillic',
    family: 'Roboto Slab',
    instead: 'Rockwell, "DejaVu Serif", serif',
    file: 'roboto-slab',
    weights: '100 900',
    letters: ['latin', 'latin-ext', 'greek', 'cyrillic', 'vietnamese'],
  },
  {
    name: 'jetbrains mono',
    label: 'Every letter as wide',
    family: 'JetBrains Mono',
    instead: 'Menlo, Consolas, monospace',
    file: 'jetbrains-mono',
    weights: '100 800',
    letters: ['latin', 'latin-ext', 'greek', 'cyrillic', 'vietnamese'],
  },
  {
    name: 'vazirmatn',
    label: 'Arabic and Latin, plain',
    family: 'Vazirmatn',
    instead: 'Tahoma, "DejaVu Sans", sans-serif',
    file: 'vazirmatn',
    weights: '100 900',
    letters: ['latin', 'latin-ext', 'arabic'],
  },
  {
    name: 'noto naskh',
    label: 'Arabic and Latin, bookish',
    family: 'Noto Naskh Arabic',
    instead: '"Times New Roman", "DejaVu Serif", serif',
    file: 'noto-naskh-arabic',
    weights: '400 700',
    letters: ['latin', 'latin-ext', 'arabic'],
  },
];
