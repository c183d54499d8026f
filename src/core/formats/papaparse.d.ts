/** The little of papaparse that is used here; its own types want DOM and Node. */
declare module 'papaparse' {
  export interface ParseError {
    readonly type: string;
    readonly message: string;
    readonly row?: number;
  }
  export function parse(
    text: string,
    options: { readonly delimiter?: string; readonly skipEmptyLines?: 'greedy' | boolean },
  ): {
    readonly data: string[][];
    readonly errors: readonly ParseError[];
    readonly meta: { readonly delimiter: string };
  };
  export function unparse(
    rows: readonly (readonly string[])[],
    options: { readonly delimiter?: string; readonly newline?: string },
  ): string;
  const Papa: { parse: typeof parse; unparse: typeof unparse };
  export default Papa;
}
