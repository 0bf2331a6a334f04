import { plainestOf } from '.';
import { themeWith, viewOf } from '../tests/themes';

describe('The plainest of some themes', () => {
  const named = (name: string, many: boolean) => themeWith(many ? { 'body-rows': { even: { fill: '#eee', ink: '#222' } } } : {}, { name });
  it('says least, with what it grows from; of several it is the first by name', () => {
    expect(plainestOf([named('A', true), named('C', false), named('B', false)], viewOf)?.name).toBe('B');
    expect(plainestOf([], viewOf)).toBeUndefined();
  });
});
