/** What the comparisons of memory find, beyond those of `rule.ts`. */
export type MemoryFigures =
  | {
      readonly code: 'memory-order';
      readonly seats: readonly string[];
      readonly wanted: readonly string[];
      readonly bad: readonly string[];
      readonly board: string;
    }
  | {
      readonly code: 'tested-memory';
      readonly kit: string;
      readonly board: string;
      readonly byBoard: boolean | undefined;
      readonly byKit: boolean | undefined;
    }
  | { readonly code: 'correction-unused'; readonly kits: readonly string[]; readonly without: readonly string[] };
