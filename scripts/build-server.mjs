import { build } from 'esbuild';
import { buildRuntime } from './build-runtime.mjs';

// The server, and the threads in which it compiles.
await build({
  entryPoints: { main: 'server/main.ts', compiling: 'server/compiling/thread.ts' },
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
