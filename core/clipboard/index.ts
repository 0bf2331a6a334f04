export { clipboardOf } from './clipboard';
