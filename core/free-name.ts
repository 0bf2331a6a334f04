/** Most characters that a name has. */
const NAME_MOST = 120;

const same = (name: string): string => name.trim().replace(/\s+/g, ' ').toLocaleLowerCase('en');

/** Whether something else is called so, but for case and spaces. */
export const isNameTaken = (name: string, taken: readonly string[]): boolean => taken.some((each) => same(each) === same(name));

/**
 * A name that nothing else has yet: the one that is wanted or, where that is taken, with the first number from 2 on that makes it free.
 * Names that differ in case or in spaces only are one name to a person.
 */
export function freeName(wanted: string, taken: Iterable<string>): string {
  const all = new Set([...taken].map(same));
  const name = wanted.slice(0, NAME_MOST);
  for (let number = 2, free = name; ; number++) {
    if (!all.has(same(free))) return free;
    free = `${name.slice(0, NAME_MOST - 1 - String(number).length)} ${number}`;
  }
}
