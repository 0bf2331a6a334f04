import { ValidationError, type Schema } from 'yup';
import { bad, good, type Outcome } from './outcome';

/** Checks a value against a Yup schema and turns what it finds into problems with their paths. */
export function checkShape<T>(schema: Schema<T>, value: unknown): Outcome<T> {
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
