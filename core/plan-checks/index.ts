export { checkAccents, hardestOfCards, hardestOfColumn } from './accents';
export { checkWords } from './long-words';
