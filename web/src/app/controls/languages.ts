/** Languages that are offered by their own names, in which labels are ready too. */
export const languageNames = [
  ['en', 'English'],
  ['de', 'Deutsch'],
  ['fr', 'Français'],
  ['es', 'Español'],
  ['el', 'Ελληνικά'],
  ['ar', 'العربية'],
] as const;
