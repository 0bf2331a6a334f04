import type { Outcome } from '../../outcome';
import { kindOfValue, type Names, type ValueKind } from './kinds';
import { problem, tidy, type Value, type Vocabulary } from './reading';

/**
 * Reads a value as a person types it. The text is normal once it has been trimmed and its spaces are single;
 * case does not matter but inside font names.
 */
export function readValue(kind: ValueKind, typed: string, vocabulary: Vocabulary): Outcome<Value> {
  const text = tidy(typed);
  if (text === '') return problem('value-empty', 'There is nothing here.', 'Type a value, or press Delete to fall back.');
  if (text.length > 200) return problem('value-long', `A value of ${text.length} characters is too long.`, 'Use at most 200.');
  return kindOfValue(kind).read(text, vocabulary);
}

const NO_NAMES: Names = { swatches: [], steps: [], pictures: [] };

/** The texts that are offered for a kind of value, in a theme of these names or in none. */
export const offersFor = (kind: ValueKind, names: Names = NO_NAMES): readonly string[] => kindOfValue(kind).offers?.(names) ?? [];
