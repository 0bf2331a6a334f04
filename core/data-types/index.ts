export * from './data-type';
export * from './find-type';
export * from './read-date';
export * from './read-number';
export * from './read-time';
export * from './read-value';
export * from './read-words';
