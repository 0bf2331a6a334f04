// npm run bench: speed and size, as ratios within one run. Builds what is out of date first.
import { spawnSync } from 'node:child_process';
import path from 'node:path';
import { fileURLToPath } from 'node:url';
import { build, install } from './prepare.mjs';

process.chdir(path.resolve(path.dirname(fileURLToPath(import.meta.url)), '..'));
install();
build();
process.exit(spawnSync(process.execPath, ['--import', 'tsx', 'bench/main.ts', ...process.argv.slice(2)], { stdio: 'inherit' }).status ?? 1);
