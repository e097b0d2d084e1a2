import type { Item } from '../model/machine';
import type { Engines } from './engines';
import type { ApplicationProfile, ApplicationTrade } from '../model/applications';
import type { PartKind, PartOf } from '../parts';
import type { MissingFigure } from '../figures/missing';

/** A drive that keeps work, without what it can do: another one in its place changes nothing of what the work does. */
export interface DriveThere {
  readonly item: Pick<Item, 'id' | 'roles'>;
}

/** A part as trades know it: whose it is, what it is called, and the figures that they ask for. */
interface There<K extends PartKind, F extends keyof PartOf<K>> {
  readonly item: Pick<Item, 'id'>;
  readonly part: Pick<PartOf<K>, 'id' | 'kind' | 'name' | F>;
}
export type ProcessorThere = There<
  'processor',
  'coreGroups' | 'fp32PerClock' | 'fp64PerClock' | 'hashInstructions' | 'integratedGraphics'
>;
export type CardThere = There<'graphics', 'fp32Tflops' | 'trianglesGs' | 'rayGs' | 'memoryGiB'>;
export type CaptureThere = There<'expansion', 'inputPorts' | 'videoInputs' | 'inputGbitPerS'>;
export type MixerThere = There<'mixer', 'videoInputs' | 'ownEncoding' | 'ownRecording'>;

/** What a machine is joined to the world by, as far as trades ask. */
export interface Joined {
  /** What streams name networks by, those on a wire first and of them the fastest. */
  readonly networks: readonly string[];
  /** Cards that take pictures in. */
  readonly capture: readonly CaptureThere[];
  readonly mixers: readonly MixerThere[];
  /** Cards that do not say what they are for, and may be for anything. */
  readonly unsaid: readonly MissingFigure[];
}

/** What a trade may ask about the machine before it decides which resources its stages use; of its parts nothing else. */
export interface MachineFacts {
  readonly processor: ProcessorThere | undefined;
  /** Graphics cards, the one that the work runs on first. */
  readonly cards: readonly CardThere[];
  readonly joined: Joined;
  readonly drives: readonly DriveThere[];
  /** Roles whose drives are still to be chosen, though others are there. */
  readonly awaited?: ReadonlySet<string>;
  readonly engines: Engines;
  /** Memory fitted, in bytes; undefined when a figure is unknown. */
  readonly memoryBytes: number | undefined;
  readonly hasGraphics: boolean;
  /** A card of its own, or nothing chosen yet that would rule one out. */
  readonly mayHaveCard: boolean;
  readonly stacks: readonly string[] | undefined;
  readonly stacksMissing: readonly MissingFigure[];
  readonly application: (id: string | undefined) => ApplicationProfile | undefined;
}

/** Any application: used when a task names none, so that it is priced like the trade's common case. */
const GENERIC: Omit<ApplicationProfile, 'trade'> = {
  id: 'any',
  name: 'any application',
  decode: 'engine',
  rawDecode: 'graphics',
  effects: 'graphics',
  engineEncode: true,
  threadCap: 32,
  cards: { max: 1, gain: 0 },
  computeStacks: [],
  memoryGiB: { minimum: 16, recommended: 32 },
  graphicsMemoryGiB: { minimum: 4, recommended: 8 },
  ownMemoryGiB: 4,
  ownGraphicsMemoryGiB: 1,
};

const ANY: Readonly<Record<ApplicationTrade, ApplicationProfile>> = {
  edit: { ...GENERIC, trade: 'edit' },
  live: { ...GENERIC, trade: 'live', threadCap: 24, ownMemoryGiB: 1.5, ownGraphicsMemoryGiB: 0.5 },
  scene: { ...GENERIC, trade: 'scene', threadCap: 12, ownMemoryGiB: 4, ownGraphicsMemoryGiB: 0.5 },
  ingest: { ...GENERIC, trade: 'ingest', effects: 'processor', ownMemoryGiB: 0.5, ownGraphicsMemoryGiB: 0 },
  cad: { ...GENERIC, trade: 'cad', effects: 'processor', threadCap: 16, ownMemoryGiB: 4, ownGraphicsMemoryGiB: 0.6 },
  render: {
    ...GENERIC,
    trade: 'render',
    threadCap: 128,
    cards: { max: 4, gain: 0.95 },
    ownMemoryGiB: 3,
    ownGraphicsMemoryGiB: 0.8,
  },
  survey: {
    ...GENERIC,
    trade: 'survey',
    threadCap: 64,
    cards: { max: 2, gain: 0.8 },
    ownMemoryGiB: 2,
    ownGraphicsMemoryGiB: 0.5,
  },
  motion: { ...GENERIC, trade: 'motion', threadCap: 16, ownMemoryGiB: 4, ownGraphicsMemoryGiB: 1 },
  stills: { ...GENERIC, trade: 'stills', threadCap: 16, ownMemoryGiB: 3, ownGraphicsMemoryGiB: 0.8 },
  build: {
    ...GENERIC,
    trade: 'build',
    effects: 'processor',
    threadCap: 256,
    ownMemoryGiB: 1.5,
    ownGraphicsMemoryGiB: 0,
  },
  learn: {
    ...GENERIC,
    trade: 'learn',
    threadCap: 64,
    cards: { max: 4, gain: 0.97 },
    ownMemoryGiB: 6,
    ownGraphicsMemoryGiB: 0,
  },
  audio: { ...GENERIC, trade: 'audio', effects: 'processor', ownMemoryGiB: 2, ownGraphicsMemoryGiB: 0 },
};

/** The profile of a task's application, or the trade's common case. */
export const profileOf = (
  trade: ApplicationTrade,
  { application }: { readonly application?: string | undefined },
  facts: MachineFacts,
): ApplicationProfile => facts.application(application) ?? ANY[trade];
