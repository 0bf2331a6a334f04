export { accentRules, cardConditions, cardFrameRules, cardsCss } from './card-rules';
export { accentedCards } from './accented-cards';
export { cardSelector } from './card-selectors';
export { cardsElement, linesInCommon, type CardsHtmlOptions } from './cards-html';
