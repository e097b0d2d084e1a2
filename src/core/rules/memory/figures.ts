import type { MemoryState } from '../../memory/population';

/** What the comparisons of memory find. */
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
  | { readonly code: 'correction-unused'; readonly kits: readonly string[]; readonly without: readonly string[] }
  | {
      readonly code: 'memory-generation';
      readonly kit: string;
      readonly generation: string;
      readonly against: string;
      readonly wants: string;
    }
  | {
      readonly code: 'module-kind';
      readonly kit: string;
      readonly moduleKind: string;
      readonly against: string;
      readonly wants: string;
    }
  | {
      readonly code: 'profile-kind';
      readonly kit: string;
      readonly profile: string;
      readonly board: string;
      readonly reads: string;
      readonly effectiveMTs: number | undefined;
    }
  | { readonly code: 'memory-slots'; readonly modules: number; readonly slots: number; readonly board: string }
  | {
      readonly code: 'module-capacity';
      readonly kit: string;
      readonly gib: number;
      readonly limitGib: number;
      readonly board: string;
    }
  | { readonly code: 'memory-capacity'; readonly gib: number; readonly limitGib: number; readonly against: string }
  | {
      readonly code: 'memory-channels';
      readonly populated: number;
      readonly channels: number;
      readonly even: boolean;
      readonly spread: MemoryState['spread'];
    }
  | {
      readonly code: 'memory-rate';
      readonly profileMTs: number;
      readonly processorMTs: number;
      readonly boardMTs: number;
      readonly effectiveMTs: number;
    }
  | { readonly code: 'mixed-kits'; readonly kits: readonly string[]; readonly count: number }
  | { readonly code: 'error-correction'; readonly without: readonly string[] };
