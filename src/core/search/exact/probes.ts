import type { Subject } from '../../assess';
import type { Brief } from '../../model/brief';
import type { Machine } from '../../model/machine';
import { PART_KINDS, type Part, type PartKind } from '../../parts';
import { kitGiB } from '../../parts/memory';
import { rules } from '../../rules';
import { failing, severity, type Finding, type Rule } from '../../rules/rule';
import type { Question } from './question';
import type { Option } from './option';
import type { Position, Space } from './space';

/** A question about the options of some positions, whose answer holds whatever the other positions get. */
export interface Probe {
  readonly name: string;
  /** Positions that it looks at, by index. */
  readonly of: readonly number[];
  /** Reads which part it is, so that equal figures do not answer for each other. */
  readonly byIdentity: boolean;
  readonly holds: (options: readonly Option[]) => boolean;
}

const KINDS: ReadonlySet<string> = new Set(PART_KINDS);
/** What decides how memory is seated and how fast it runs. */
const MEMORY_STATE: readonly PartKind[] = ['processor', 'board', 'memory'];

/** Whether a rule can refuse a machine at all: cautions and notes do not. */
export const refuses = ({ levels }: Rule): boolean => levels.some((level) => severity(level) <= severity('unproven'));

/** Kinds that a rule's answer depends on, when it reads nothing but parts and how memory is seated. */
export function kindsRead({ reads }: Rule): ReadonlySet<PartKind> | undefined {
  const kinds = new Set<PartKind>();
  for (const reading of reads)
    if (reading === 'memory state') for (const kind of MEMORY_STATE) kinds.add(kind);
    else if (KINDS.has(reading)) kinds.add(reading as PartKind);
    else return undefined;
  return kinds;
}

/**
 * Rules that can be asked of fewer parts than they read: what they find blocking there, further parts of the other kinds
 * make no better (they add draw, length or demands, take room and air, or are not read by what is found).
 */
interface Early {
  readonly rules: readonly string[];
  readonly kinds: readonly PartKind[];
  /** Codes of findings that count; all when not stated. */
  readonly codes?: readonly string[];
  /** What findings have to be about, where one rule speaks of several things. */
  readonly subject?: string;
  /** What is not known of the parts that are there stays unknown. */
  readonly unproven?: true;
  /** Demands of the brief without which it finds nothing. */
  readonly asked?: readonly (keyof Brief['mustHaves'])[];
}

const WIRED: readonly PartKind[] = ['processor', 'board', 'memory', 'graphics', 'expansion', 'drive', 'mixer'];

const EARLY: readonly Early[] = [
  { rules: ['parts-complete'], kinds: ['processor', 'cooler'], codes: ['part-missing'], subject: 'cooler' },
  { rules: ['memory-generation', 'module-kind'], kinds: ['processor', 'memory'] },
  { rules: ['supply-power'], kinds: ['processor', 'graphics', 'supply'] },
  { rules: ['supply-connectors'], kinds: ['graphics', 'supply'] },
  { rules: ['card-length'], kinds: ['graphics', 'case'] },
  { rules: ['cooler-load'], kinds: ['processor', 'cooler'] },
  {
    rules: ['must-haves'],
    kinds: ['board', 'expansion'],
    codes: ['network', 'wireless', 'remote-management'],
    asked: ['networkGbitPerS', 'wireless', 'remoteManagement'],
  },
  { rules: ['must-haves'], kinds: ['expansion', 'mixer'], codes: ['video-inputs'], asked: ['videoInputs'] },
  { rules: ['must-haves'], kinds: ['case'], codes: ['volume'], asked: ['volumeL'] },
  {
    rules: ['must-haves'],
    kinds: ['drive'],
    codes: ['encryption', 'optical-drive'],
    asked: ['encryption', 'opticalDrive'],
  },
  { rules: ['drive-space', 'copies', 'drive-endurance', 'task-figures'], kinds: ['drive'], unproven: true },
  { rules: ['device-place'], kinds: ['processor', 'board', 'expansion', 'drive'] },
  {
    rules: ['device-place', 'drive-heatsink', 'card-power', 'link', 'drive-carrier'],
    kinds: WIRED,
    unproven: true,
  },
  { rules: ['drive-space', 'copies', 'drive-endurance', 'task-figures'], kinds: WIRED, unproven: true },
  { rules: ['cooler-load', 'card-load'], kinds: [...WIRED, 'cooler'] },
  { rules: ['device-place', 'must-haves'], kinds: [...WIRED, 'case'] },
  { rules: ['fan-mounts'], kinds: ['cooler', 'case', 'fan'] },
  { rules: ['clearance', 'card-load'], kinds: [...WIRED, 'cooler', 'case'] },
  { rules: ['cooler-load', 'card-load', 'clearance', 'fan-mounts'], kinds: [...WIRED, 'cooler', 'case', 'fan'] },
];

/** Positions of a space by the kinds they fill. */
const positionsOf = (positions: readonly Position[], kinds: ReadonlySet<PartKind>): number[] =>
  positions.flatMap(({ kinds: filled }, i) => (filled.some((kind) => kinds.has(kind)) ? [i] : []));

/**
 * What can be asked before a machine is whole. Rules that read nothing but parts answer as soon as those parts are
 * chosen, and for good; others can be asked early for what they find blocking. Cheap questions come first.
 */
export function probesFor(space: Space, question: Question, subject: Subject): Probe[] {
  const { positions, kept, keptParts } = space;
  const byId = new Map(rules.map((rule) => [rule.id, rule]));
  const counts = (finding: Finding): boolean =>
    failing(finding.level) || (question.unproven === 'refused' && finding.level === 'unproven');
  const machineOf = (options: readonly Option[], kinds: ReadonlySet<PartKind>): Machine => ({
    ...bareMachine(question),
    items: [
      ...kept.filter((_, i) => keptParts[i] && kinds.has(keptParts[i].kind)),
      ...options.flatMap(({ items }) => items),
    ],
  });
  const groups = new Map<string, { kinds: ReadonlySet<PartKind>; of: number[]; rules: Rule[] }>();
  for (const rule of rules) {
    const kinds = refuses(rule) ? kindsRead(rule) : undefined;
    if (!kinds) continue;
    const of = positionsOf(positions, kinds);
    if (of.length === 0) continue;
    const key = `${of.join()} ${rule.byIdentity ? 'id' : ''}`;
    const group = groups.get(key);
    if (group) {
      group.rules.push(rule);
      for (const kind of kinds) (group.kinds as Set<PartKind>).add(kind);
    } else groups.set(key, { kinds: new Set(kinds), of, rules: [rule] });
  }
  const exact = [...groups.values()].map(({ kinds, of, rules: asked }): Probe => ({
    name: asked.map(({ id }) => id).join(', '),
    of,
    byIdentity: asked.some(({ byIdentity }) => byIdentity === true),
    holds: (options) => !subject.findingsBy(asked, machineOf(options, kinds)).some(counts),
  }));
  const early = EARLY.flatMap(
    ({ rules: ids, kinds: list, codes, subject: about, unproven, asked: demands }): Probe[] => {
      if (demands?.every((demand) => question.brief.mustHaves[demand] === undefined)) return [];
      const kinds: ReadonlySet<PartKind> = new Set(list);
      const asked = ids.flatMap((id) => byId.get(id) ?? []);
      const of = positionsOf(positions, kinds);
      if (of.length === 0) return [];
      return [
        {
          name: ids.join(', '),
          of,
          byIdentity: asked.some(({ byIdentity }) => byIdentity === true),
          holds: (options) =>
            !subject
              .findingsBy(asked, machineOf(options, kinds))
              .some(
                (finding) =>
                  (unproven ? counts(finding) : failing(finding.level)) &&
                  (!codes || codes.includes(finding.code)) &&
                  (about === undefined || finding.subject === about),
              ),
        },
      ];
    },
  );
  return [...leastOf(space, question), ...exact, ...early].sort((a, b) => a.of.length - b.of.length);
}

/** What the question asks of parts by themselves: room in memory, on one card, on all drives. */
function leastOf({ positions, keptParts }: Space, { least }: Question): Probe[] {
  const of = (kind: PartKind): number[] => positionsOf(positions, new Set([kind]));
  const sum = (options: readonly Option[], size: (part: Part) => number): number =>
    [...keptParts, ...options.flatMap(({ parts }) => parts)].reduce((all, part) => all + size(part), 0);
  const asks = (name: string, kind: PartKind, holds: Probe['holds']): Probe[] =>
    of(kind).length > 0 ? [{ name, of: of(kind), byIdentity: false, holds }] : [];
  const { memoryGiB, graphicsGiB, storageGB } = least;
  return [
    ...(memoryGiB === undefined
      ? []
      : asks('room in memory', 'memory', (options) => {
          return sum(options, (part) => (part.kind === 'memory' ? (kitGiB(part) ?? 0) : 0)) >= memoryGiB;
        })),
    ...(graphicsGiB === undefined
      ? []
      : asks('room on a card', 'graphics', (options) =>
          options.some(({ parts }) =>
            parts.some((part) => part.kind === 'graphics' && (part.memoryGiB ?? 0) >= graphicsGiB),
          ),
        )),
    ...(storageGB === undefined
      ? []
      : asks('room on drives', 'drive', (options) => {
          return sum(options, (part) => (part.kind === 'drive' ? (part.capacityGB ?? 0) : 0)) >= storageGB;
        })),
  ];
}

/**
 * Whether drives have room for what their own roles keep, by the rules about space and copies: further drives get other
 * roles and make no room in these.
 */
export function drivesHold(question: Question, subject: Subject): (drives: Option) => boolean {
  const asked = rules.filter(({ id }) => id === 'drive-space' || id === 'copies');
  const bare = bareMachine(question);
  return ({ items }) => {
    const roles = new Set<string>(items.flatMap(({ roles: own = [] }) => own));
    return !subject
      .findingsBy(asked, { ...bare, items: [...items] })
      .some(
        (finding) =>
          failing(finding.level) &&
          ((finding.code === 'space' && roles.has(finding.role)) || (finding.code === 'copies' && roles.has('backup'))),
      );
  };
}

/** A machine of a question without its parts: what was set on the one that is completed, else nothing. */
export const bareMachine = ({ from, brief }: Question): Machine => ({
  ...(from ?? {}),
  id: from?.id ?? FOUND,
  name: from?.name ?? brief.name,
  items: [],
});
const FOUND = 'found';
