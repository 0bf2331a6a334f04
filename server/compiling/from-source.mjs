// A thread where the server runs from its sources, as in its specs: what reads TypeScript there does not reach threads by itself.
import { register } from 'tsx/esm/api';

register();
await import('./thread.ts');
