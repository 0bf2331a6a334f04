export { accentRules, cardConditions, cardFrameRules, cardsCss, switchesCss } from './card-rules';
export { accentedCards } from './accented-cards';
export { cardSelector } from './card-selectors';
export { choiceRules } from './choice-rules';
export { choicesElements } from './switches-html';
export { cardsElement, linesInCommon, type CardsHtmlOptions } from './cards-html';
