'use client';

import type { ReactNode } from 'react';
import { Value } from '../shared/Value';

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
      }}
    >
      {children ?? (value === undefined ? 'none' : `${value}${unit ? ` ${unit}` : ''}`)}
    </Value>
  );
}
