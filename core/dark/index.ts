export { deriveDark } from './derive';
export { saveInk } from './save-ink';
