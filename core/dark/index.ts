export { deriveDark } from './derive';
