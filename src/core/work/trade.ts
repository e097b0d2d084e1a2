import type { Register } from '../figures/registers';
import type { MachineFacts } from './machineFacts';
import type { Expanded, Outside } from './stage';
import type { TaskKind, TaskOf } from '../model/tasks';

/** A figure that a trade asks for: what it is, and within which range the model was thought through. */
export interface Figure {
  readonly label: string;
  readonly unit?: string;
  /** One sentence on what it does to the machine. */
  readonly explains: string;
  readonly valid?: readonly [from: number, to: number];
}

/** A task at one size. */
export interface Sized<K extends TaskKind> {
  readonly label: string;
  readonly task: TaskOf<K>;
}

/** A kind of work: how it begins, what its figures mean, and how it becomes demands. */
export interface Trade<K extends TaskKind> {
  readonly kind: K;
  readonly name: string;
  readonly explains: string;
  /** Starting values that a practitioner would nod at and then change. */
  readonly start: (id: string) => TaskOf<K>;
  readonly figures: Readonly<Record<string, Figure>>;
  readonly constants: Register;
  /** The same task larger and larger in what decides it, for "how much would run"; smallest first. */
  readonly sizes?: { readonly of: string; readonly list: (task: TaskOf<K>) => readonly Sized<K>[] };
  /** The same task with so many times as much to do, where such work grows over the years: longer films, larger models. */
  readonly grow?: { readonly what: string; readonly by: (task: TaskOf<K>, times: number) => TaskOf<K> };
  readonly expand: (task: TaskOf<K>, facts: MachineFacts) => Expanded;
  /** What it cannot tell, for the documentation. */
  readonly weaknesses: readonly string[];
}

/** Figures of a task, by name, that lie outside the range their trade was thought through for. */
export function outsideOf(figures: Readonly<Record<string, Figure>>, values: object): Outside[] {
  return Object.entries(values).flatMap(([name, value]: [string, unknown]): Outside[] => {
    const figure = figures[name];
    if (!figure?.valid || typeof value !== 'number') return [];
    const [from, to] = figure.valid;
    return value >= from && value <= to ? [] : [{ label: figure.label, value, unit: figure.unit ?? '', from, to }];
  });
}
