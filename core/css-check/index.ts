export { checkExtra } from './check-extra';
