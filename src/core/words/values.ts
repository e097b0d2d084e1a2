import { cellText } from '../formats/csv/cells';
import type { Field } from '../parts/fields';
import { convert } from '../units/convert';
import { number } from './format';
import { structureSize } from './structure';

/** A value in words: plain ones with their unit, structures by what they hold. */
export function valueWords(field: Field, value: unknown, lengthUnit: 'mm' | 'inch' = 'mm'): string {
  if (value === null || value === undefined) return 'unknown';
  if (typeof value === 'number') {
    const inch = field.unit === 'mm' && lengthUnit === 'inch' ? convert(value, 'mm', 'inch') : undefined;
    const shown = value !== 0 && Math.abs(value) < 1e-4 ? value.toExponential(0) : number(inch ?? value, 5);
    return field.unit ? `${shown} ${inch === undefined ? field.unit : 'in'}` : shown;
  }
  if (Array.isArray(value)) {
    if (value.length === 0) return 'none';
    return field.type === 'list' ? value.join(', ') : `${value.length} ${value.length === 1 ? 'entry' : 'entries'}`;
  }
  if (typeof value === 'object') {
    const entries = Object.entries(value);
    if (entries.every(([, member]) => typeof member !== 'object'))
      return (
        entries
          .map(([name, member]) => (typeof member === 'number' ? `${member} × ${name}` : String(member)))
          .join(', ') || 'none'
      );
    return structureSize(value) ?? 'described';
  }
  return cellText(field, value);
}
