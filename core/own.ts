/**
 * What stands in a list under a name that comes from outside; undefined where it has no such name of its own. `constructor`,
 * `toString` and `__proto__` are names like any other: what every object has by birth is none of the list's.
 */
export const own = <T>(list: Readonly<Record<string, T>>, name: string): T | undefined => (Object.hasOwn(list, name) ? list[name] : undefined);
