// As in ../compiling: a thread where the server runs from its sources.
import { register } from 'tsx/esm/api';

register();
await import('./thread.ts');
