import type { Assessment } from '../assess';
import type { Brief } from '../model/brief';
import { applicationsOf } from '../model/catalogue';
import { cardRate, isCardResource } from '../predict/cardSupply';
import { LINKS } from '../board/links';
import { COMMON } from '../work/common';
import { inputCount, uplinkMbitPerS } from '../work/live';
import { wireBitPerS } from '../work/video';
import type { FlowEnd, LiveWork, Task } from '../model/tasks';
import { askedRates } from './rates';

/** What kind of cards the work asks for, before one is chosen. */
export interface CardKinds {
  readonly graphics:
    | {
        /** Compute stacks on which all applications run; undefined where none asks for one. */
        readonly stacks: readonly string[] | undefined;
        /** Applications that are supported with a certified driver only. */
        readonly certified: readonly string[];
        readonly displays: number;
        /** Cards like the draft's that the targets ask for together; undefined without a card to count in. */
        readonly cards: number | undefined;
      }
    | undefined;
  /** Pictures that come in at once, and the fastest of them on the wire. */
  readonly capture: { readonly inputs: number; readonly bitPerS: number | undefined } | undefined;
  /** Bits a second that the network carries: what is demanded, and what tasks stream. */
  readonly networkBitPerS: number;
}

/** A published floor, and what to take instead: a minimum is where trouble begins, so a margin goes on what is recommended. */
export interface PublishedFloor {
  readonly application: string;
  readonly what: 'memory' | 'graphics memory';
  readonly minimumGib: number;
  readonly recommendedGib: number;
  readonly withMarginGib: number;
}

/** The highest published floor of memory and of graphics memory among the brief's applications. */
export function publishedFloors({ facts: { brief, catalogue } }: Assessment): PublishedFloor[] {
  const profiles = applicationsOf(brief.tasks, catalogue);
  return (['memory', 'graphics memory'] as const).flatMap((what): PublishedFloor[] => {
    const asking = profiles
      .filter((profile) => what === 'memory' || profile.effects === 'graphics')
      .map((profile) => ({
        name: profile.name,
        floor: what === 'memory' ? profile.memoryGiB : profile.graphicsMemoryGiB,
      }));
    const [most] = asking.sort((a, b) => b.floor.recommended - a.floor.recommended);
    if (!most) return [];
    return [
      {
        application: most.name,
        what,
        minimumGib: most.floor.minimum,
        recommendedGib: most.floor.recommended,
        withMarginGib: most.floor.recommended * COMMON.floorMargin.value,
      },
    ];
  });
}

/** Bits a second that a task sends over a network, by the end it names: told by the brief, whatever the draft has. */
function sentBy(task: Task): [end: string, bitPerS: number][] {
  switch (task.kind) {
    case 'ingest':
      return [task.from, task.to, task.copyTo].flatMap((end) =>
        end === undefined ? [] : [[end, task.streams * task.gbitPerS * 1e9] as [string, number]],
      );
    case 'custom':
      return [
        ...(task.flows ?? []).flatMap(({ from, to, gbytePerS }) =>
          [from, to].map((end) => [end, gbytePerS * 8e9] as [string, number]),
        ),
        ['network', task.mode === 'real-time' ? (task.networkGB ?? 0) * (task.unitsPerS ?? 0) * 8e9 : 0],
      ];
    case 'live':
      return [['network', uplinkMbitPerS(task) * 1e6]];
    default:
      return [];
  }
}

/** The most that any one network carries in a sitting; a task in none counts by itself. */
function networkBitPerS({ tasks, sittings }: Brief): number {
  const inSome = new Set(sittings.flatMap((sitting) => sitting.tasks));
  const together = [
    ...sittings.map((sitting) => tasks.filter(({ id }) => sitting.tasks.includes(id))),
    ...tasks.filter(({ id }) => !inSome.has(id)).map((task) => [task]),
  ];
  return Math.max(
    0,
    ...together.flatMap((group) =>
      NETWORKS.map((network) =>
        group.flatMap(sentBy).reduce((all, [end, rate]) => (end === network ? all + rate : all), 0),
      ),
    ),
  );
}
const NETWORKS: readonly string[] = ['network', 'second network'] satisfies FlowEnd[];

export function cardKinds(assessment: Assessment, draft: Assessment): CardKinds {
  const { brief, catalogue } = assessment.facts;
  const { parts } = draft.facts;
  const profiles = applicationsOf(brief.tasks, catalogue);
  const drawn = assessment.tasks.some(
    ({ uses, impossible }) =>
      uses.some(({ resource, demand }) => isCardResource(resource) && demand.value > 0) ||
      impossible.some(({ code }) => code === 'no-graphics'),
  );
  const asking = profiles.filter(({ effects, computeStacks }) => effects === 'graphics' && computeStacks.length > 0);
  const [first, ...rest] = asking.map(({ computeStacks }) => computeStacks);
  const stacks = first?.filter((stack) => rest.every((others) => others.includes(stack)));
  const card = parts.one('graphics');
  const counts = askedRates(assessment, draft).flatMap(({ resource, asked }) => {
    const rate = card && isCardResource(resource) ? cardRate(card, resource).rate?.value : undefined;
    return rate === undefined ? [] : [Math.ceil(asked / rate - 1e-9)];
  });
  const live = brief.tasks.filter((task): task is LiveWork => task.kind === 'live' && task.via !== 'mixer');
  const inputs = Math.max(0, ...live.map((task) => inputCount(task.inputs)));
  const wires = live.flatMap((task) => task.inputs.map((input) => wireBitPerS(input)));
  return {
    graphics: drawn
      ? {
          stacks,
          certified: profiles.filter(({ certifiedDriver }) => certifiedDriver).map(({ name }) => name),
          displays: Math.max(brief.mustHaves.displays ?? 0, brief.ownedDisplays.length),
          cards: counts.length === 0 ? undefined : Math.max(1, ...counts),
        }
      : undefined,
    capture:
      inputs === 0
        ? undefined
        : {
            inputs,
            bitPerS: wires.every((wire) => wire !== undefined)
              ? Math.max(...wires.map((wire) => wire ?? 0))
              : undefined,
          },
    networkBitPerS: Math.max((brief.mustHaves.networkGbitPerS ?? 0) * 1e9, networkBitPerS(brief) / LINKS.network.value),
  };
}
