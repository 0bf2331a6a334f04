export { areTokens, readTokens, type TokensRead } from './read-tokens';
export { tokensOf, type TokensOut } from './write-tokens';
