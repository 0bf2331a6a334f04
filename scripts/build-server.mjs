import { build } from 'esbuild';
import { buildRuntime } from './build-runtime.mjs';

await build({
  entryPoints: ['server/main.ts'],
  outfile: 'dist/server/main.mjs',
  bundle: true,
  platform: 'node',
  target: 'node20',
  format: 'esm',
  packages: 'external',
  sourcemap: true,
  logLevel: 'warning',
});
await buildRuntime();
