/** What the comparisons of the machine with its work find, beyond those of `rule.ts`. */
export type WorkFigures =
  | {
      readonly code: 'compute-stack';
      readonly application: string;
      readonly wants: readonly string[];
      readonly card: string;
      readonly has: readonly string[];
    }
  | {
      readonly code: 'operating-system';
      readonly application: string;
      readonly wants: readonly string[];
      readonly system: string;
    }
  | { readonly code: 'no-system'; readonly application: string; readonly wants: readonly string[] }
  | { readonly code: 'certified-driver'; readonly application: string; readonly card: string; readonly has: boolean }
  | { readonly code: 'licence-missing'; readonly application: string }
  | {
      readonly code: 'licence-terms';
      readonly application: string;
      readonly licence: string;
      readonly terms: 'tied' | 'transferable' | 'yearly' | 'metered' | 'free';
      readonly owned: boolean;
    }
  | { readonly code: 'fast-ports'; readonly needs: number; readonly gbitPerS: number; readonly has: number }
  | { readonly code: 'optical-drive'; readonly has: boolean }
  | { readonly code: 'encryption'; readonly drive: string; readonly has: boolean }
  | { readonly code: 'remote-management'; readonly board: string; readonly has: boolean }
  | { readonly code: 'scratch-cells'; readonly drive: string; readonly cells: string }
  | { readonly code: 'system-drive-kind'; readonly drive: string; readonly magnetic: boolean };
