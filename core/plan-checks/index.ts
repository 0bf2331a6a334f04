export { checkAccents, hardestOfCards } from './accents';
export { checkWords } from './long-words';
