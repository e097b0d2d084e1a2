import type { WholePart } from '../../model/brief';
import type { WirelessStandard } from '../../parts/common';
import type { TaskResult } from '../../predict/results';

/** What the comparisons of the machine with its work find. */
export type WorkFigures =
  | ({
      readonly code: 'task-result';
      readonly taskId: string;
      readonly name: string;
      readonly importance: number;
      /** The sitting in which it does worst. */
      readonly sitting: string;
      /** The link or device that is too narrow, where a stream binds. */
      readonly bindsLabel: string | undefined;
    } & Pick<TaskResult, 'mode' | 'unit' | 'target' | 'gets' | 'atMost' | 'verdict' | 'binds' | 'impossible'>)
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
  | {
      readonly code: 'ports';
      readonly has: number;
      readonly needs: number;
      readonly connector: 'A' | 'C';
      readonly place: 'rear' | 'front' | 'anywhere';
      readonly gbitPerS: number;
    }
  | { readonly code: 'wireless-standard'; readonly has: WirelessStandard; readonly router: WirelessStandard }
  | {
      readonly code: 'endurance';
      readonly drive: string;
      readonly ratedTB: number;
      readonly writtenADayGB: number;
      /** Until the rated writes are used up. */
      readonly years: number;
      readonly needsYears: number;
    }
  | {
      readonly code: 'copies';
      readonly keeping: 'two' | 'three';
      readonly keptGB: number;
      /** Room on other drives than those that keep the work. */
      readonly roomGB: number;
      readonly drives: number;
    }
  | { readonly code: 'copies-elsewhere'; readonly keptGB: number; readonly where: 'server' | 'elsewhere' }
  | { readonly code: 'whole-missing'; readonly what: WholePart }
  | { readonly code: 'whole-unasked'; readonly what: readonly WholePart[] }
  | { readonly code: 'whole'; readonly count: number }
  | { readonly code: 'system-stays'; readonly system: string }
  | { readonly code: 'optical-drive'; readonly has: boolean }
  | { readonly code: 'encryption'; readonly drive: string; readonly has: boolean }
  | { readonly code: 'remote-management'; readonly board: string; readonly has: boolean }
  | { readonly code: 'scratch-cells'; readonly drive: string; readonly cells: string }
  | { readonly code: 'system-drive-kind'; readonly drive: string; readonly magnetic: boolean }
  | {
      readonly code: 'system-drive-size';
      readonly drive: string;
      readonly hasGB: number;
      readonly leastGB: number;
      readonly usualGB: number;
    }
  | { readonly code: 'system-drive'; readonly drives: number }
  | {
      readonly code: 'memory-floor';
      readonly application: string;
      readonly hasGib: number;
      readonly minimumGib: number;
      readonly recommendedGib: number;
      /** Recommended, with the margin that the sizes ask for. */
      readonly withMarginGib: number;
      readonly what: 'memory' | 'graphics memory';
    }
  | { readonly code: 'network'; readonly hasGbit: number; readonly needsGbit: number }
  | { readonly code: 'wireless'; readonly has: boolean }
  | { readonly code: 'video-inputs'; readonly has: number; readonly needs: number }
  | { readonly code: 'volume'; readonly volumeL: number; readonly limitL: number; readonly chassis: string }
  | {
      readonly code: 'space';
      readonly role: string;
      readonly needsGB: number;
      /** What is left for the role, and what others on the same drives take of them. */
      readonly hasGB: number;
      readonly othersGB: number;
      readonly growthPercent: number;
      /** Years until it is full as it grows; undefined where that is beyond those of service, or it is now. */
      readonly lastsYears: number | undefined;
      readonly needsYears: number;
    };
