import { build } from 'esbuild';
import { buildRuntime } from './build-runtime.mjs';

// The server, and its threads: in which it compiles, and in which it tries backups.
await build({
  entryPoints: { main: 'server/main.ts', compiling: 'server/compiling/thread.ts', 'backup-trial': 'server/backup/thread.ts' },
  outdir: 'dist/server',
  outExtension: { '.js': '.mjs' },
  bundle: true,
  platform: 'node',
  target: 'node20',
  format: 'esm',
  packages: 'external',
  sourcemap: true,
  logLevel: 'warning',
});
await buildRuntime();
