import { benchBrowser } from './browser';
import { benchCompile } from './compile';
import { benchStart } from './start';

benchCompile();
await benchStart();
await benchBrowser();
