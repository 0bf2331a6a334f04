import { dice, randomText } from '../../tests/random';
import { themeWith, viewOf } from '../../tests/themes';
import { properties } from '../catalogue/properties';
import { kindOfValue, valueKinds } from './kinds';
import { offersFor, readValue } from './values';

/** Walks the list of kinds: one that lacks something fails here, or does not compile. */
describe('Every kind of value', () => {
  const { vocabulary, swatches, scale } = viewOf(themeWith({}));
  const names = { swatches: swatches.map(({ name }) => name), steps: scale.steps.map(({ name }) => name), pictures: [] };
  for (const kind of valueKinds) {
    it(`${kind}: can be read as it is offered, and as it is thrown at random`, () => {
      for (const text of offersFor(kind, names))
        expect(readValue(kind, text, vocabulary).ok)
          .withContext(text)
          .toBeTrue();
      const d = dice(1);
      const thrown = Array.from({ length: 30 }, () => randomText[kind](d));
      const known = {
        ...vocabulary,
        swatches: new Map(['mist', 'deep', 'glow', 'lamp'].map((name) => [name, { r: 0, g: 0, b: 0, alpha: 1 }] as const)),
      };
      for (const text of thrown)
        expect(readValue(kind, text, known).ok)
          .withContext(text)
          .toBeTrue();
    });
    it(`${kind}: belongs to a property, and has words where its editor offers words`, () => {
      expect(properties.some((property) => property.kind === kind)).toBeTrue();
      if (kindOfValue(kind).editor === 'words') expect(offersFor(kind).length).toBeGreaterThan(1);
    });
    it(`${kind}: takes no name that every object has by birth`, () => {
      for (const text of ['constructor', 'tostring', 'toString', '__proto__', 'valueof', 'hasOwnProperty']) {
        const read = readValue(kind, text, vocabulary);
        // A font may be called anything; what comes of it is text all the same.
        if (kind === 'family') expect(!read.ok || typeof read.value.css === 'string').toBeTrue();
        else expect(read.ok).withContext(text).toBeFalse();
      }
    });
    it(`${kind}: hangs on a theme only as far as it says so`, () => {
      const { refers = [] } = kindOfValue(kind);
      const bare = { swatches: new Map(), scale: { base: 15, ratio: 1, steps: [] } };
      const thrown = Array.from({ length: 60 }, (_, seed) => randomText[kind](dice(seed)));
      const differing = thrown.filter((text) => readValue(kind, text, vocabulary).ok !== readValue(kind, text, bare).ok);
      if (refers.length === 0) expect(differing).toEqual([]);
    });
  }
});
