export { resolve, resolveAt, winnerAt, type Link, type Resolved } from './resolve';
export { ORDINARY_PAGE, fontSize, toPx, type PageType } from './measure';
