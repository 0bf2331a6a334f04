export { FILE_MOST } from './limits';
export { encodings, separators } from './raw';
