import type { FittedParts } from '../fitted';
import type { Engines } from '../predict/engines';
import type { ApplicationProfile } from './applications';
import type { MissingFigure } from './stage';

/** What a trade may ask about the machine before it decides which resources its stages use. */
export interface MachineFacts {
  readonly parts: FittedParts;
  readonly engines: Engines;
  readonly hasGraphics: boolean;
  readonly stacks: readonly string[] | undefined;
  readonly stacksMissing: readonly MissingFigure[];
  readonly application: (id: string | undefined) => ApplicationProfile | undefined;
}

/** Any application: used when a task names none, so that it is priced like the trade's common case. */
export const GENERIC_EDITOR: ApplicationProfile = {
  id: 'any-editor',
  name: 'any editing application',
  trade: 'edit',
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
