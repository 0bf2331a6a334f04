import { benchVisitor } from './visitor';
await benchVisitor();
