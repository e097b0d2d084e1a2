import type { Part } from '@/core/parts';
import type { PartSheet } from '@/server/contract';

/** What a sheet is given by the library around it. */
export interface SheetProps {
  readonly id: string;
  readonly version: number;
  readonly lengthUnit: 'mm' | 'inch';
  /** Whether it is among the parts that are looked at side by side. */
  readonly beside: boolean;
  readonly onChanged: () => void;
  readonly onBeside: (part: Part) => void;
  readonly onShow: (id: string) => void;
  readonly onClose: () => void;
  readonly onStart: (as: 'copy' | 'stand-in', sheet: PartSheet) => void;
}
