import type { Assessment } from '../assess';
import { isCardResource } from '../predict/supply';
import { COMMON } from '../work/common';
import { inputCount } from '../work/live';
import { wireBitPerS } from '../work/video';
import type { LiveWork } from '../work/tasks';
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
  const profiles = [...new Set(brief.tasks.flatMap((task) => task.application ?? []))]
    .sort()
    .flatMap((id) => catalogue.application(id) ?? []);
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

export function cardKinds(assessment: Assessment): CardKinds {
  const { brief, catalogue, parts, sittings } = assessment.facts;
  const profiles = [...new Set(brief.tasks.flatMap((task) => task.application ?? []))]
    .sort()
    .flatMap((id) => catalogue.application(id) ?? []);
  const drawn = assessment.tasks.some(
    ({ uses, impossible }) =>
      uses.some(({ resource, demand }) => isCardResource(resource) && demand.value > 0) ||
      impossible.some(({ code }) => code === 'no-graphics'),
  );
  const asking = profiles.filter(({ effects, computeStacks }) => effects === 'graphics' && computeStacks.length > 0);
  const [first, ...rest] = asking.map(({ computeStacks }) => computeStacks);
  const stacks = first?.filter((stack) => rest.every((others) => others.includes(stack)));
  const card = parts.one('graphics')?.part;
  const own: Readonly<Record<string, number | undefined>> = {
    'gpu.fp32': card?.fp32Tflops === undefined ? undefined : card.fp32Tflops * 1e12,
    'gpu.matrix': card?.matrixTflops === undefined ? undefined : card.matrixTflops * 1e12,
    'gpu.fp64': card?.fp64Tflops === undefined ? undefined : card.fp64Tflops * 1e12,
    'gpu.traffic': card?.memoryGBs === undefined ? undefined : card.memoryGBs * 1e9,
  };
  const counts = askedRates(assessment).flatMap(({ resource, asked }) => {
    const rate = own[resource];
    return rate === undefined ? [] : [Math.ceil(asked / rate - 1e-9)];
  });
  const live = brief.tasks.filter((task): task is LiveWork => task.kind === 'live' && task.via !== 'mixer');
  const inputs = Math.max(0, ...live.map((task) => inputCount(task.inputs)));
  const wires = live.flatMap((task) => task.inputs.map((input) => wireBitPerS(input)));
  const network = Math.max(
    0,
    (brief.mustHaves.networkGbitPerS ?? 0) * 1e9,
    ...sittings.map(({ tasks, flows }) => {
      const demanded = tasks
        .filter((task) => task.mode === 'real-time')
        .reduce((all, task) => all + (task.uses.find(({ resource }) => resource === 'network')?.demand.value ?? 0), 0);
      const ends = new Set(
        parts
          .ofKind('expansion')
          .filter(({ part }) => part.purpose === 'network')
          .map(({ item }) => item.id as string),
      );
      // one card takes what comes in and goes out by it; the most that any one must carry counts
      const byEnd = new Map<string, number>();
      for (const { flow } of flows)
        for (const end of [flow.from, flow.to])
          if (ends.has(end)) byEnd.set(end, Math.max(byEnd.get(end) ?? 0, flow.bytesPerS));
      return Math.max(demanded, ...byEnd.values(), 0) * 8;
    }),
  );
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
    networkBitPerS: network,
  };
}
