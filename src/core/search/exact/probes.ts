import { freshSubject, type Context, type Subject } from '../../assess';
import { DRIVE_ROLES } from '../../figures/resources';
import { VIEWS } from '../../assess/view';
import type { Brief } from '../../model/brief';
import { fitParts } from '../../model/fitted';
import type { Item, Machine } from '../../model/machine';
import { PART_KINDS, type Part, type PartKind } from '../../parts';
import { drawOf } from '../../power/draw';
import type { KeptByRole } from '../../predict/kept';
import { ruleOf, rules } from '../../rules';
import { ask, factsBut, failing, isFinding, severity, type Facts, type Finding, type Rule } from '../../rules/rule';
import { mostOf } from '../../units/most';
import { missesAsked, refused } from './judge';
import { askedOfDrives, type Question } from './question';
import { numberOf, type Option } from './option';
import { byFigures, byWhich, remembered, type Reading, type Readings } from './readings';
import { ROOM } from './room';
import { SHARE_KINDS, SHARES } from './shares';
import type { Space } from './position';
import { bareMachine, positionsOf, type Making } from './space';

/** A question about the options of some positions, whose answer holds whatever the other positions get. */
export interface Probe {
  /** The rules that it asks; none where the question itself asks for something. */
  readonly rules: readonly string[];
  /** Positions that it looks at, by index. */
  readonly of: readonly number[];
  /** What it reads of an option: options that are alike in that get one answer. */
  readonly reads: Reading;
  readonly holds: (options: readonly Option[]) => boolean;
  /** It tells parts of equal figures apart. */
  readonly byIdentity?: true;
  /** It costs no more to ask than to remember. */
  readonly plain?: true;
  /** It predicts work, and refuses few: it is asked once a whole machine was refused by one of its rules. */
  readonly late?: true;
}

/** Rules that read what the brief says must be there; all others answer alike whatever it says (`probes.test.ts`). */
export const TOLD_OF_DEMANDS: ReadonlySet<string> = new Set([
  'must-haves',
  'noise-limit',
  'reach',
  'display-outputs',
  'display-link',
  'error-correction',
  'surplus-graphics',
  'surplus-cards',
]);

const KINDS: ReadonlySet<string> = new Set(PART_KINDS);
/** What decides how memory is seated and how fast it runs. */
const MEMORY_STATE: readonly PartKind[] = ['processor', 'board', 'memory'];

const rulesNamed = (ids: readonly string[]): Rule[] => ids.map((rule) => ruleOf({ rule }));

/** Whether a rule can refuse a machine at all: cautions and notes do not. */
const refuses = ({ levels }: Rule): boolean => levels.some((level) => severity(level) <= severity('unproven'));

/** Kinds that a rule's answer depends on, when it reads nothing but parts and how memory is seated. */
function kindsRead({ reads }: Rule): ReadonlySet<PartKind> | undefined {
  const kinds = new Set<PartKind>();
  for (const reading of reads)
    if (reading === 'memory state') for (const kind of MEMORY_STATE) kinds.add(kind);
    else if (KINDS.has(reading)) kinds.add(reading as PartKind);
    else return undefined;
  return kinds;
}

/**
 * Rules that can be asked of fewer parts than they read: what they find blocking there, further parts of the other kinds
 * make no better (they add draw, length or demands, take room and air, or are not read by what is found). What is written
 * to drives is none of it: in a warm case runs are slower, and there are fewer of them in a week.
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
  /** Of what sits in slots it reads only its form and link. */
  readonly by?: 'wiring';
  readonly late?: true;
  /** Demands of the brief without which it finds nothing. */
  readonly asked?: readonly (keyof Brief['mustHaves'])[];
}

const WIRED: readonly PartKind[] = VIEWS.wired;

const EARLY: readonly Early[] = [
  { rules: ['parts-complete'], kinds: ['processor', 'cooler'], codes: ['part-missing'], subject: 'cooler' },
  { rules: ['memory-generation', 'module-kind'], kinds: ['processor', 'memory'] },
  { rules: ['supply-connectors'], kinds: ['graphics', 'supply'] },
  { rules: ['card-length'], kinds: ['graphics', 'case'] },
  { rules: ['cooler-load'], kinds: ['processor', 'cooler'], late: true },
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
  { rules: ['device-place'], kinds: ['processor', 'board', 'expansion', 'graphics'], by: 'wiring' },
  { rules: ['device-place'], kinds: ['processor', 'board', 'expansion', 'drive'], by: 'wiring' },
  {
    rules: ['device-place', 'drive-heatsink', 'card-power', 'link', 'drive-carrier'],
    kinds: WIRED,
    unproven: true,
  },
  { rules: ['drive-space', 'copies'], kinds: WIRED, unproven: true },
  { rules: ['cooler-load', 'card-load'], kinds: [...WIRED, 'cooler'], late: true },
  // what a processor's own cooler leaves unknown, another one may settle
  { rules: ['task-figures'], kinds: [...WIRED, 'cooler'], unproven: true },
  { rules: ['device-place', 'must-haves'], kinds: [...WIRED, 'case'] },
  { rules: ['fan-mounts'], kinds: ['cooler', 'case', 'fan'] },
  { rules: ['clearance', 'card-load'], kinds: [...WIRED, 'cooler', 'case'], late: true },
  {
    rules: ['cooler-load', 'card-load', 'clearance', 'fan-mounts'],
    kinds: [...WIRED, 'cooler', 'case', 'fan'],
    late: true,
  },
  // what is still to come only adds its own noise
  { rules: ['noise-limit'], kinds: [...WIRED, 'cooler', 'case', 'fan'], asked: ['noiseDbA'], late: true },
  { rules: ['noise-limit'], kinds: [...WIRED, 'cooler', 'case', 'fan', 'supply'], asked: ['noiseDbA'], late: true },
];

/**
 * What rules read of an option: of kinds of which they say which figures they read no others; all where they do not.
 * Thousands of sets of drives differ in nothing that a bay or a cable asks about.
 */
function figuresRead(asked: readonly Rule[], whole: Reading): Reading {
  const told = new Map<PartKind, readonly string[]>();
  for (const kind of PART_KINDS) {
    const readers = asked.filter(
      ({ reads }) => reads.includes(kind) || (reads.includes('memory state') && MEMORY_STATE.includes(kind)),
    );
    const lists = readers.flatMap(({ reads, figures }) =>
      reads.includes('memory state') || !figures?.[kind] ? [] : [figures[kind]],
    );
    if (readers.length > 0 && lists.length === readers.length) told.set(kind, [...new Set(lists.flat())].sort());
  }
  if (told.size === 0) return whole;
  return remembered((option) => {
    const { parts, items } = option;
    if (parts.length === 0 || !parts.every(({ kind }) => told.has(kind))) return whole(option);
    const said = parts.map((part, i) => [
      part.kind,
      items[i]?.roles,
      told.get(part.kind)?.map((figure) => part[figure as keyof Part]),
    ]);
    return numberOf(`figures ${JSON.stringify(said)}`);
  });
}

/**
 * What can be asked before a machine is whole. Rules that read nothing but parts answer as soon as those parts are
 * chosen, and for good; others can be asked early for what they find blocking. Cheap questions come first.
 */
export function probesFor(
  space: Space,
  question: Question,
  context: Context,
  subject: Subject,
  { wiring, whole }: Readings,
  made: Making,
): Probe[] {
  const counts = (finding: Finding): boolean =>
    failing(finding.level) || (question.unproven === 'refused' && finding.level === 'unproven');
  /** A probe of some rules: it holds as long as they find nothing that counts. */
  const probeOf = (
    asked: readonly Rule[],
    kinds: ReadonlySet<PartKind>,
    refuses: (finding: Finding) => boolean,
    reads?: Reading,
  ): Probe[] => {
    const byIdentity = reads === undefined && asked.some((rule) => rule.byIdentity === true);
    const of = positionsOf(space, kinds);
    if (of.length === 0) return [];
    return [
      {
        rules: asked.map(({ id }) => id),
        of,
        reads: reads ?? (byIdentity ? byWhich : figuresRead(asked, whole)),
        ...(byIdentity ? { byIdentity } : {}),
        holds: (options) =>
          !subject
            .findingsBy(asked, made(options, kinds))
            .some((finding) => !question.standing.has(finding.key) && refuses(finding)),
      },
    ];
  };
  const groups = new Map<string, { kinds: Set<PartKind>; rules: Rule[] }>();
  for (const rule of rules) {
    const kinds = refuses(rule) ? kindsRead(rule) : undefined;
    if (!kinds) continue;
    const of = positionsOf(space, kinds);
    if (of.length === 0) continue;
    const key = `${of.join()} ${rule.byIdentity ? 'id' : ''}`;
    const group = groups.get(key);
    if (group) {
      group.rules.push(rule);
      for (const kind of kinds) group.kinds.add(kind);
    } else groups.set(key, { kinds: new Set(kinds), rules: [rule] });
  }
  const exact = [...groups.values()].flatMap(({ kinds, rules: asked }) => probeOf(asked, kinds, counts));
  const early = EARLY.flatMap(
    ({ rules: ids, kinds, codes, subject: about, unproven, by, late, asked: demands }): Probe[] => {
      if (demands?.every((demand) => question.brief.mustHaves[demand] === undefined)) return [];
      const probes = probeOf(
        rulesNamed(ids),
        new Set(kinds),
        (finding) =>
          ((unproven ? counts(finding) : failing(finding.level)) || missesAsked(finding, question)) &&
          (!codes || codes.includes(finding.code)) &&
          (about === undefined || finding.subject === about),
        by && wiring,
      );
      return late ? probes.map((probe) => ({ ...probe, late })) : probes;
    },
  );
  return [
    ...leastOf(space, question),
    ...sharesWithin(space, question),
    ...drawWithin(space, question, context),
    ...exact,
    ...early,
  ].sort((a, b) => a.of.length - b.of.length);
}

/**
 * Whether the supply gives what all parts draw together at their limits, where the desk goes by that (`supply-power`). Each
 * part adds its own, so it is asked of the first part, the first two, and so on: a supply that is too weak for what is there
 * is none for more.
 */
function drawWithin(space: Space, question: Question, { catalogue, settings }: Context): Probe[] {
  if (!settings.policies.includes('peak')) return [];
  const bare = bareMachine(question);
  const peakOf = (items: readonly Item[]): number =>
    drawOf(fitParts({ ...bare, items: [...items] }, catalogue), [], [], bare.tuning).peakW;
  const wattsOf = remembered(({ items }) => peakOf(items));
  const supplyIn = (parts: readonly Part[]) => parts.find((part) => part.kind === 'supply');
  const kept = supplyIn(space.keptParts);
  const keptW = peakOf(space.kept);
  const supplies = positionsOf(space, SUPPLY);
  const drawing = positionsOf(space, DRAWING);
  return drawing.map((_, i): Probe => ({
    rules: ['supply-power'],
    of: [...drawing.slice(0, i + 1), ...supplies].sort((a, b) => a - b),
    reads: (option) => supplyIn(option.parts)?.ratedW ?? wattsOf(option),
    plain: true,
    holds: (options) => {
      let watts = keptW;
      let supply = kept;
      for (const option of options) {
        supply = supplyIn(option.parts) ?? supply;
        watts += wattsOf(option);
      }
      return supply?.ratedW === undefined || watts <= supply.ratedW * ROUNDING;
    },
  }));
}
const ROUNDING = 1 + 1e-9;
const SUPPLY: ReadonlySet<PartKind> = new Set(['supply']);
const DRAWING: ReadonlySet<PartKind> = new Set([...VIEWS.wired, 'cooler', 'case', 'fan']);

/** The limits on shares of the budget, by what parts cost at the least. */
function sharesWithin(space: Space, { mostFor }: Question): Probe[] {
  return SHARES.flatMap((share): Probe[] => {
    const most = mostFor[share];
    const of = positionsOf(space, new Set(SHARE_KINDS[share]));
    if (most === undefined || of.length === 0) return [];
    return [
      {
        rules: [],
        of,
        byIdentity: true,
        reads: ({ leastMinor }) => leastMinor,
        holds: (options) => options.reduce((all, { leastMinor }) => all + leastMinor, 0) <= most,
      },
    ];
  });
}

/** What the question asks of parts by themselves. */
const leastOf = (space: Space, { least }: Question): Probe[] =>
  ROOM.flatMap(({ figure, kind, of: room }): Probe[] => {
    const asked = least[figure];
    const of = positionsOf(space, new Set([kind]));
    if (asked === undefined || of.length === 0) return [];
    return [
      {
        rules: [],
        of,
        reads: byFigures,
        holds: (options) => room([...space.keptParts, ...options.flatMap(({ parts }) => parts)]) >= asked,
      },
    ];
  });

/** What speaks of drives for their own roles: of the space they have, and of what is written to them and known of them. */
export const DRIVE_RULES = {
  space: ['drive-space', 'copies'],
  use: ['drive-endurance', 'task-figures'],
} as const;

/** Whether drives do for their own roles by the rules: two questions, the cheaper one first. */
export interface DrivesHold {
  /** By those about space and copies. */
  readonly space: (drives: Option) => boolean;
  /** By those about what is written to them and known of them. */
  readonly use: (drives: Option) => boolean;
}

/**
 * Whether drives do for their own roles: further drives get other roles and make no room in these. The other roles are on
 * a drive of which all is known, if there is one, so that these do not stand in for it.
 */
export function drivesHold(question: Question, context: Context): DrivesHold {
  const { catalogue } = context;
  const subject = freshSubject(askedOfDrives(question.brief), context);
  const [space, use] = [rulesNamed(DRIVE_RULES.space), rulesNamed(DRIVE_RULES.use)];
  const bare = bareMachine(question);
  const other = mostOf(
    catalogue
      .ofKind('drive')
      .filter((part) => part.cellKind !== 'optical' && ALL_KNOWN.every((field) => part[field] !== undefined)),
    ({ capacityGB = 0 }) => capacityGB,
  );
  const rolesOf = ({ items }: Option): ReadonlySet<string> => new Set(items.flatMap(({ roles: own = [] }) => own));
  /** A machine of drives alone; undefined where what the other roles keep would count on these. */
  const among = ({ items }: Option, roles: ReadonlySet<string>): Machine | undefined => {
    const rest = DRIVE_ROLES.filter((role) => !roles.has(role));
    if (rest.length === 0) return { ...bare, items: [...items] };
    return other && { ...bare, items: [...items, { id: 'other', part: other.id, roles: rest }] };
  };
  const findings = (asked: readonly Rule[], facts: Facts): Finding[] =>
    asked.flatMap((rule) => ask(rule, facts)).filter(isFinding);
  // no drive decides what is kept (`kept.test.ts`): what is told of the first holds for all
  let kept: KeptByRole | undefined;
  return {
    space: (drives) => {
      const roles = rolesOf(drives);
      const machine = among(drives, roles);
      if (!machine) return true;
      const facts = subject.factsOf(machine);
      kept ??= facts.kept;
      return !findings(space, factsBut(facts, { kept })).some(
        (finding) =>
          (failing(finding.level) || missesAsked(finding, question)) &&
          ((finding.code === 'space' && roles.has(finding.role)) || (finding.code === 'copies' && roles.has('backup'))),
      );
    },
    use: (drives) => {
      const machine = among(drives, rolesOf(drives));
      if (!machine) return true;
      // nothing that is there has a clock that heat could lower
      const sittings = subject.coldOf(machine);
      return !findings(use, factsBut(subject.factsOf(machine), { sittings })).some(
        (finding) =>
          refused(finding, question) && finding.items.some((id) => drives.items.some((item) => item.id === id)),
      );
    },
  };
}
const ALL_KNOWN = ['capacityGB', 'seqReadMBs', 'seqWriteMBs', 'sustainedWriteMBs', 'enduranceTBW'] as const;
