import { contract } from './selectors';
import { rule, type CssNode } from './stylesheet';

/** A table wider than its column scrolls inside its frame; the page never scrolls sideways because of it. */
export const frameRule: CssNode = rule(`.${contract.frame}`, ['overflow-x', 'auto']);
