'use client';

import type { ReactNode } from 'react';
import type { Figure } from '@/core/work/trade';
import { Value } from './Value';

export type Change<T> = (patch: Partial<T>) => void;

export const choice = (values: readonly (string | number)[], label: (value: string | number) => string = String) =>
  values.map((value) => ({ value: String(value), label: label(value) }));

const sizes = ['1920 × 1080', '2560 × 1440', '3840 × 2160', '4096 × 2160', '5424 × 2880', '7680 × 4320'];

const SIZE_NAME: Readonly<Record<string, string>> = {
  '1920 × 1080': 'HD',
  '3840 × 2160': 'UHD',
  '4096 × 2160': '4K DCI',
  '5424 × 2880': '5.4K',
  '7680 × 4320': '8K UHD',
};

const sizeName = (width: number, height: number): string => SIZE_NAME[`${width} × ${height}`] ?? `${width} × ${height}`;

/** Picks a size from the usual ones, kept as two figures. */
export function Size({
  label,
  width,
  height,
  onChange,
}: {
  label: string;
  width: number;
  height: number;
  onChange: (width: number, height: number) => void;
}) {
  const now = `${width} × ${height}`;
  return (
    <Value
      label={label}
      editor={{
        kind: 'choice',
        value: now,
        options: choice(sizes.includes(now) ? sizes : [now, ...sizes], (value) =>
          SIZE_NAME[value] ? `${SIZE_NAME[value]}  ${value}` : String(value),
        ),
        onChange: (value) => {
          const [w, h] = value.split(' × ').map(Number);
          if (w && h) onChange(w, h);
        },
      }}
    >
      {sizeName(width, height)}
    </Value>
  );
}

export function Num({
  label,
  value,
  unit,
  min = 0,
  max,
  whole,
  optional,
  figure,
  onChange,
  children,
}: {
  label: string;
  value: number | undefined;
  unit?: string;
  min?: number;
  max?: number;
  whole?: boolean;
  optional?: boolean;
  /** What the trade says of it. */
  figure?: Figure | undefined;
  onChange: (value: number | undefined) => void;
  children?: ReactNode;
}) {
  return (
    <Value
      label={label}
      editor={{
        kind: 'number',
        value,
        min,
        onChange,
        ...(unit ? { unit } : {}),
        ...(max === undefined ? {} : { max }),
        ...(whole ? { whole } : {}),
        ...(optional ? { optional } : {}),
        ...(figure ? { explains: figure.explains } : {}),
      }}
    >
      {children ?? (value === undefined ? 'none' : `${value}${unit ? ` ${unit}` : ''}`)}
    </Value>
  );
}

/** Picks one of a few words. */
export function Pick<T extends string | number | boolean>({
  label,
  value,
  options,
  figure,
  onChange,
}: {
  label: string;
  value: T;
  options: readonly (readonly [value: T, label: string])[];
  figure?: Figure | undefined;
  onChange: (value: T) => void;
}) {
  return (
    <Value
      label={label}
      editor={{
        kind: 'choice',
        value: String(value),
        options: options.map(([option, name]) => ({ value: String(option), label: name })),
        onChange: (text) => {
          const chosen = options.find(([option]) => String(option) === text);
          if (chosen) onChange(chosen[0]);
        },
        ...(figure ? { explains: figure.explains } : {}),
      }}
    >
      {options.find(([option]) => option === value)?.[1] ?? String(value)}
    </Value>
  );
}

/** Options that name themselves. */
export const plain = <T extends string>(values: readonly T[]): (readonly [T, string])[] =>
  values.map((value) => [value, value]);
