/** Letters without case and marks, so that “Émile” is found by “emile” (Unicode Normalization Forms, NFD). */
export const folded = (text: string): string => (/^[\x20-\x7e\s]*$/.test(text) ? text : text.normalize('NFD').replace(/\p{M}/gu, '')).toLowerCase();
