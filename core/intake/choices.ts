export { FILE_MOST } from './limits';
export { encodings, quotes, separators } from './raw';
export { sourceEndings } from './endings';
