import { type Column, PRICE } from '@/core/library/columns';
import { convert } from '@/core/units/convert';
import { currencySchema, minorOfShown } from '@/core/units/money';
import { coinsOnly, number } from '@/core/words/format';

/** How a cell reads; unknown is a sign of its own and never a number. */
export function cellWords(
  value: number | string | null | undefined,
  column: Column,
  lengthUnit: 'mm' | 'inch',
): string {
  if (value === null || value === undefined) return '?';
  if (typeof value === 'string') return value;
  if (column.key === PRICE) {
    const currency = currencySchema.safeParse(column.unit);
    return currency.success ? coinsOnly(minorOfShown(value, currency.data), currency.data) : number(value, 6);
  }
  if (column.unit === 'mm' && lengthUnit === 'inch') return number(convert(value, 'mm', 'inch') ?? value, 4);
  return number(value, 4);
}

export const unitWords = (unit: string | undefined, lengthUnit: 'mm' | 'inch'): string | undefined =>
  unit === 'mm' && lengthUnit === 'inch' ? 'in' : unit;
