import { benchBrowser } from './browser';
import { benchCompile } from './compile';
import { benchStart } from './start';
import { benchTables } from './tables';
import { benchVisitor } from './visitor';

benchCompile();
await benchStart();
await benchBrowser();
await benchTables();
await benchVisitor();
