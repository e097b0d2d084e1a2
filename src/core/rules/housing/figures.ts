import type { SolidKind } from '../../clearance/scene';
import type { Side } from '../../parts/case';

/** What the comparisons of the case find. */
export type HousingFigures =
  | {
      readonly code: 'card-height';
      readonly card: string;
      readonly heightMm: number;
      readonly spaceMm: number;
      readonly chassis: string;
    }
  | {
      readonly code: 'fan-mounts';
      readonly sizeMm: number;
      readonly fans: number;
      readonly places: number;
      readonly chassis: string;
    }
  | {
      readonly code: 'collision';
      readonly one: string;
      readonly other: string;
      readonly where: readonly SolidKind[];
      readonly overlapMm: number;
    }
  | { readonly code: 'clear'; readonly solids: number; readonly leastMm: number }
  | { readonly code: 'reach'; readonly drive: string; readonly comesOff: readonly string[] }
  | {
      readonly code: 'fan-row';
      readonly side: Side;
      readonly rowMm: number;
      readonly radiatorMm: number;
      readonly displaced: number;
      readonly chassis: string;
    }
  | {
      readonly code: 'card-length';
      readonly card: string;
      readonly lengthMm: number;
      readonly spaceMm: number;
      readonly chassis: string;
      readonly frontRadiator: boolean;
    }
  | {
      readonly code: 'cooler-height';
      readonly cooler: string;
      readonly heightMm: number;
      readonly spaceMm: number;
      readonly chassis: string;
    }
  | {
      readonly code: 'radiator';
      readonly cooler: string;
      readonly radiatorMm: number;
      readonly chassis: string;
      readonly sides: readonly string[];
    }
  | {
      readonly code: 'memory-under-cooler';
      readonly kit: string;
      readonly heightMm: number;
      readonly spaceMm: number;
      readonly cooler: string;
    }
  | {
      readonly code: 'board-form';
      readonly board: string;
      readonly form: string;
      readonly chassis: string;
      readonly takes: readonly string[];
    }
  | {
      readonly code: 'supply-form';
      readonly supply: string;
      readonly form: string;
      readonly chassis: string;
      readonly takes: readonly string[];
    }
  | {
      readonly code: 'supply-length';
      readonly supply: string;
      readonly lengthMm: number;
      readonly spaceMm: number;
      readonly chassis: string;
    }
  | {
      readonly code: 'drive-bays';
      readonly size: '2.5"' | '3.5"' | '5.25"';
      readonly drives: number;
      readonly bays: number;
      readonly chassis: string;
    };
