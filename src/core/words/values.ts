import { cellText } from '../formats/csv/cells';
import type { Field } from '../parts/fields';
import { convert } from '../units/convert';
import { number } from './format';
import { structureSize } from './structure';

interface Shown {
  readonly lengthUnit?: 'mm' | 'inch';
  /** Names of parts that a value tells of by their id. */
  readonly names?: Readonly<Record<string, string>>;
}

/** A value in words: plain ones with their unit, structures by what they hold, other parts by their names. */
export function valueWords(field: Field, value: unknown, { lengthUnit = 'mm', names = {} }: Shown = {}): string {
  if (value === null || value === undefined) return 'unknown';
  if (typeof value === 'number') {
    const inch = field.unit === 'mm' && lengthUnit === 'inch' ? convert(value, 'mm', 'inch') : undefined;
    const shown = value !== 0 && Math.abs(value) < 1e-4 ? value.toExponential(0) : number(inch ?? value, 5);
    return field.unit ? `${shown} ${inch === undefined ? field.unit : 'in'}` : shown;
  }
  if (Array.isArray(value)) {
    if (value.length === 0) return 'none';
    return field.type === 'list'
      ? value.map((entry) => names[entry as string] ?? String(entry)).join(', ')
      : `${value.length} ${value.length === 1 ? 'entry' : 'entries'}`;
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
  return (typeof value === 'string' ? names[value] : undefined) ?? cellText(field, value);
}
