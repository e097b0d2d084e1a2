import type { SolidKind } from '../../clearance/scene';
import type { Side } from '../../parts/case';

/** What the comparisons of the case find, beyond those of `rule.ts`. */
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
    };
