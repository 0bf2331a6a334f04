import { benchBrowser } from './browser';
import { benchCompile } from './compile';
import { benchRows } from './rows';
import { benchStart } from './start';
import { benchTables } from './tables';
import { benchVisitor } from './visitor';

benchCompile();
benchRows();
await benchStart();
await benchBrowser();
await benchTables();
await benchVisitor();
