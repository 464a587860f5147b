declare module 'css-tree/parser' {
  import type { parse } from 'css-tree';

  const parser: typeof parse;
  export default parser;
}
