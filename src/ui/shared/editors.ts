import type { NumberRange } from '@/core/units/typed';

export interface NumberEditor extends NumberRange {
  readonly kind: 'number';
  readonly value: number | undefined;
  /** Whether the value may be taken away. */
  readonly optional?: boolean;
  readonly onChange: (value: number | undefined) => void;
}

export interface ChoiceEditor {
  readonly kind: 'choice';
  readonly value: string;
  readonly explains?: string;
  readonly options: readonly { readonly value: string; readonly label: string }[];
  readonly onChange: (value: string) => void;
}

export interface DateEditor {
  readonly kind: 'date';
  readonly value: string | undefined;
  readonly explains?: string;
  readonly onChange: (value: string | undefined) => void;
}

export interface TextEditor {
  readonly kind: 'text';
  readonly value: string;
  readonly onChange: (value: string) => void;
}

export type AnyEditor = NumberEditor | ChoiceEditor | TextEditor | DateEditor;
