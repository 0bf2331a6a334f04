export { FILE_MOST } from './limits';
export { readCsv, readSeparated } from './read-delimited';
export { readHtmlTable } from './read-html';
export { readClipboard, type Clipboard } from './read-clipboard';
export { square, tableFrom, type Intake } from './square';
