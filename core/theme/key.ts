/** A key for a new theme from its name: what its class is called. Lower-case ASCII, so that any stylesheet can say it. */
export function keyFrom(name: string, taken: (key: string) => boolean): string {
  const plain =
    name
      .normalize('NFKD')
      .toLowerCase()
      .replace(/\p{M}/gu, '')
      .replace(/[^a-z0-9]+/g, '-')
      .replace(/^-+|-+$/g, '')
      .slice(0, 40) || 'theme';
  const key = /^[a-z]/.test(plain) ? plain : `theme-${plain}`;
  for (let n = 1; ; n++) {
    const candidate = n === 1 ? key : `${key}-${n}`;
    if (!taken(candidate)) return candidate;
  }
}
