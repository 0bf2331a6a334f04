export { PAGE_FORMAT, emptyPage, themeRef, slugOf, type Block, type Page, type TableBlock } from './page';
export { pageSchema, readPage } from './read-page';
export { placementCss, readRoom, readWidth } from './placement';
export { PLAIN_VISITOR, isRightToLeft, labelLanguages, wordingOf, words, type LabelLanguage, type Visitor, type Word, type Wording } from './visitor';
