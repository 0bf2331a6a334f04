import { ValidationError, type Schema } from 'yup';
import { bad, good, type Outcome } from './outcome';

/**
 * Checks a value against a Yup schema and turns what it finds into problems with their paths. A value that is not there at
 * all, such as the body of a request that was sent without one or as another type, is a problem too: to Yup it would pass.
 */
export function checkShape<T>(schema: Schema<T>, value: unknown): Outcome<T> {
  if (value === undefined || value === null) return bad({ code: 'shape', say: 'there is nothing here; it has to be sent as JSON', at: '' });
  try {
    return good(schema.validateSync(value, { abortEarly: false, strict: true }));
  } catch (error) {
    if (!(error instanceof ValidationError)) throw error;
    const found = error.inner.length > 0 ? error.inner : [error];
    return bad(
      ...found
        .slice(0, 50)
        .map(({ path, message }) => ({ code: 'shape', say: message, at: (path ?? '').replace(/[.[]["']?/g, '/').replace(/["']?\]/g, '') })),
    );
  }
}
