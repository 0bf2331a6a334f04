import { build } from 'esbuild';

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

// What published pages load, ours and others': plain scripts without a dependency.
await build({
  entryPoints: { table: 'runtime/main.ts', elsewhere: 'runtime/elsewhere.ts' },
  outdir: 'dist/runtime',
  bundle: true,
  minify: true,
  platform: 'browser',
  target: ['chrome111', 'firefox113', 'safari16.4'],
  format: 'iife',
  logLevel: 'warning',
});
