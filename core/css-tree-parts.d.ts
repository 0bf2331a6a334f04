/** The parts of css-tree that can be loaded by themselves: its typings describe the whole alone. */
declare module 'css-tree/parser' {
  import type { parse } from 'css-tree';
  const read: typeof parse;
  export default read;
}
declare module 'css-tree/generator' {
  import type { generate } from 'css-tree';
  const write: typeof generate;
  export default write;
}
declare module 'css-tree/walker' {
  import type { walk } from 'css-tree';
  const visit: typeof walk;
  export default visit;
}
declare module 'css-tree/utils' {
  export { ident } from 'css-tree';
}
