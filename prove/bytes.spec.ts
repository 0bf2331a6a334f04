import { differing, keptBytes } from './kept';
import { works } from './works';

/** A share of `npm run prove -- bytes`: what is published, drawn and resolved changes on purpose only. */
describe('Every byte that is made', () => {
  it('of the sample world and of a few random works is as it was; where it is meant to change, `npm run prove -- bytes --renew`', () => {
    expect(differing(Object.fromEntries(works(6)), keptBytes())).toEqual([]);
  });
});
