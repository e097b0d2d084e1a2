import { machineSchema, type Machine, type Phase } from '@/core/model/machine';

/** An item of a demo machine: id, part, label, and what else is said of it. */
export type Row = readonly [id: string, part: string, label: string, extra?: Record<string, unknown>];

/** A machine from its rows. Parsed, so that a mistake here stops the demo. */
export const machine = (id: string, name: string, rows: readonly Row[], phases?: readonly Phase[]): Machine =>
  machineSchema.parse({
    id,
    name,
    items: rows.map(([item, part, label, extra]) => ({ id: item, part, label, ...extra })),
    ...(phases ? { phases } : {}),
  });

/** What the people of the demo have on their desks already: only the system comes with a new machine. */
export const WHOLE_DESK = { system: 'wanted', display: 'owned', keyboard: 'owned', pointing: 'owned' } as const;
