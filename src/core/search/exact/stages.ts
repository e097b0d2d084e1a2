import type { Context, Subject } from '../../assess';
import { fitParts } from '../../model/fitted';
import type { Machine } from '../../model/machine';
import type { PartKind } from '../../parts';
import { worstOf } from '../../predict/worst';
import { atBest, type Progress } from './atBest';
import { bareMachine } from './probes';
import type { Question } from './question';
import { progressAt } from './rank';
import type { Option } from './option';
import { absentKinds, type Space } from './space';

/** A bound on what the tasks can do, from the options of some positions. */
export interface Stage {
  readonly of: readonly number[];
  readonly progress: (options: readonly Option[]) => Progress;
}

const WIRED: readonly PartKind[] = [
  'processor',
  'board',
  'memory',
  'graphics',
  'expansion',
  'drive',
  'accessory',
  'mixer',
];

/** Kinds whose parts are chosen when the tasks are looked at with all others endless, in the order of choosing. */
const AT_BEST: readonly (readonly PartKind[])[] = [
  ['processor', 'graphics'],
  ['processor', 'graphics', 'memory'],
  ['processor', 'graphics', 'drive'],
  ['processor', 'graphics', 'memory', 'drive'],
];
/** The same by the whole chain of an assessment: with links and streams, then with what cools them. */
const IN_FULL: readonly (readonly PartKind[])[] = [WIRED, [...WIRED, 'cooler'], [...WIRED, 'cooler', 'case', 'fan']];

/**
 * Bounds on the tasks' progress, the earlier the looser. Those in full are the assessment's own predictions of a machine
 * that still lacks what would house it: parts of further kinds only warm it.
 */
export function stagesFor(space: Space, question: Question, context: Context, subject: Subject): Stage[] {
  const { positions, kept, keptParts } = space;
  const { brief } = question;
  const bare = bareMachine(question);
  const best = atBest(brief, context, bare);
  const absent = absentKinds(space);
  const of = (kinds: ReadonlySet<PartKind>) =>
    positions.flatMap(({ kinds: filled }, i) => (filled.some((kind) => kinds.has(kind)) ? [i] : []));
  const machineOf = (options: readonly Option[], kinds: ReadonlySet<PartKind>): Machine => ({
    ...bare,
    items: [
      ...kept.filter((_, i) => keptParts[i] && kinds.has(keptParts[i].kind)),
      ...options.flatMap(({ items }) => items),
    ],
  });
  const distinct = (stages: readonly Stage[]): Stage[] =>
    stages.filter(
      (stage, i) => stage.of.length > 0 && !stages.slice(i + 1).some(({ of: same }) => same.join() === stage.of.join()),
    );
  return distinct([
    ...AT_BEST.map((list): Stage => {
      const kinds: ReadonlySet<PartKind> = new Set(list);
      // what no position fills is known not to be there
      const chosen: ReadonlySet<PartKind> = new Set([...kinds, ...absent]);
      return {
        of: of(kinds),
        progress: (options) => best(fitParts(machineOf(options, kinds), context.catalogue), chosen),
      };
    }),
    ...IN_FULL.map((list): Stage => {
      const kinds: ReadonlySet<PartKind> = new Set(list);
      return {
        of: of(kinds),
        progress: (options) => {
          const { sittings } = subject.factsOf(machineOf(options, kinds));
          return new Map(
            brief.tasks.map(({ id }) => {
              const worst = worstOf(id, sittings);
              if (!worst) return [id, Infinity] as const;
              return [
                id,
                worst.impossible.length > 0 ? 0 : worst.gets ? progressAt(worst, 'likely') : Infinity,
              ] as const;
            }),
          );
        },
      };
    }),
  ]);
}

/** What drives of some roles let the tasks do when all else is endless. */
export function drivesAlone(question: Question, context: Context): (option: Option) => Progress {
  const best = atBest(question.brief, context, bareMachine(question));
  const chosen: ReadonlySet<PartKind> = new Set(['drive']);
  return ({ items }) => best(fitParts({ ...bareMachine(question), items: [...items] }, context.catalogue), chosen);
}
