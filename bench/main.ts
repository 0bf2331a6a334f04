import { benchBrowser } from './browser';
import { benchCompile } from './compile';
import { benchPages } from './pages';
import { benchFormulas, benchRows } from './rows';
import { benchStart } from './start';
import { benchTables } from './tables';
import { benchVisitor } from './visitor';

benchCompile();
benchRows();
benchFormulas();
await benchStart();
await benchBrowser();
await benchTables();
await benchVisitor();
await benchPages();
