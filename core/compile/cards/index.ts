export { cardConditions, cardFrameRules, cardsCss } from './card-rules';
export { cardSelector } from './card-selectors';
export { cardsElement, linesInCommon, type CardsHtmlOptions } from './cards-html';
