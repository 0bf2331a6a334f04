/** How a page can be looked at, beside on a bright screen: by the visitor's settings, or on paper. */
export const modes = [
  { name: 'dark', label: 'Dark', words: 'in the dark', about: 'where the page, or the visitor, has it dark' },
  { name: 'contrast', label: 'More contrast', words: 'with more contrast', about: 'for visitors who ask for more contrast, where it is bright' },
  { name: 'print', label: 'Print', words: 'in print', about: 'on paper, where width steps do not hold' },
  { name: 'forced', label: 'Forced colours', words: 'in forced colours', about: 'where the visitor’s system sets all colours' },
] as const satisfies readonly { readonly name: string; readonly label: string; readonly words: string; readonly about: string }[];
export type ModeName = (typeof modes)[number]['name'];
export const modeNames: readonly ModeName[] = modes.map(({ name }) => name);
export const modeOf = (name: ModeName): (typeof modes)[number] => {
  const found = modes.find((each) => each.name === name);
  if (!found) throw new RangeError(`There is no mode ${name}`);
  return found;
};
