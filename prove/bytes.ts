import { writeFileSync } from 'node:fs';
import { differing, keptBytes, keptFile } from './kept';
import { works } from './works';

// npm run prove -- bytes [--renew]: every byte that is made of the sample world and of 200 random works, against those that are kept.
const COUNT = 200;
const now = Object.fromEntries(works(COUNT));
if (process.argv.includes('--renew')) {
  writeFileSync(keptFile, `${JSON.stringify(now, null, 2)}\n`);
  console.log(`${Object.keys(now).length} works are kept as they are now.`);
} else {
  const others = differing(now, keptBytes());
  console.log(`${Object.keys(now).length} works, ${others.length} differ${others.length === 0 ? '.' : `: ${others.slice(0, 20).join(', ')}`}`);
  process.exit(others.length === 0 ? 0 : 1);
}
