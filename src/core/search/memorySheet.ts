import { ratioOf } from '../units/money';
import { subjectOf, type Assessment, type Context } from '../assess';
import type { Brief } from '../model/brief';
import { fitParts } from '../model/fitted';
import { differencesOf, lookalikesOf, type Difference } from '../parts/lookalikes';
import type { Machine } from '../model/machine';
import { populate } from '../memory/population';
import type { AccessNs } from '../memory/timing';
import type { PartOf } from '../parts';
import { candidateTrials, withPart, type Candidate, type Position } from './candidates';
import { type Trials, finish } from '../assess/trials';
import { kitGiB } from '../parts/memory';

/** By whom a kit was tested with a board; a list that is not known is no answer. */
export type Tested = 'both' | 'board' | 'memory' | 'neither' | 'unknown';

/** A kit as it would run in this machine. */
export interface KitRow {
  readonly candidate: Candidate & { readonly part: PartOf<'memory'> };
  readonly gib: number | undefined;
  readonly profileMTs: number | undefined;
  /** The lesser of what processor and board support in this population. */
  readonly supportedMTs: number | undefined;
  readonly effectiveMTs: number | undefined;
  readonly access: AccessNs | undefined;
  readonly bandwidthBytesPerS: number | undefined;
  /** Landed, in minor units a GiB of the kit. */
  readonly minorPerGib: number | undefined;
  readonly tested: Tested;
  /** Kits easily taken for this one whose figures differ, with the figures. */
  readonly lookalikes: readonly { readonly part: PartOf<'memory'>; readonly differences: readonly Difference[] }[];
}

export interface MemorySheet {
  readonly rows: readonly KitRow[];
  readonly fits: number;
  /** The cheapest kit of the draft's capacity that gives this brief all a faster one would; nothing when none is sold. */
  readonly paysUpTo: KitRow | undefined;
}

/** Less than this gain is not felt: the model's own bands are wider. */
const FELT = 0.005;

export const memorySheet = (...args: Parameters<typeof memoryTrials>): MemorySheet => finish(memoryTrials(...args));

/** All kits that fit in place of one, as they would run here, in the order of the candidates; a trial at a time. */
export function* memoryTrials(
  machine: Machine,
  brief: Brief,
  position: Position,
  context: Context,
  before: Assessment = subjectOf(brief, context).assess(machine),
): Trials<MemorySheet> {
  const candidates = yield* candidateTrials(machine, brief, position, context, before);
  const kits = context.catalogue.ofKind('memory');
  const board = before.facts.parts.one('board')?.part;
  const rows = candidates.flatMap((candidate): KitRow[] => {
    const { part } = candidate;
    if (part.kind !== 'memory' || !candidate.fits) return [];
    const changed = candidate.current ? machine : withPart(machine, position, part);
    const memory = populate(fitParts(changed, context.catalogue), changed.memoryProfile ?? 'on', changed.moduleSlots);
    const gib = kitGiB(part);
    const { supportedByProcessorMTs: processor, supportedByBoardMTs: ofBoard } = memory;
    return [
      {
        candidate: { ...candidate, part },
        gib,
        profileMTs: part.rateMTs,
        supportedMTs: processor === undefined || ofBoard === undefined ? undefined : Math.min(processor, ofBoard),
        effectiveMTs: memory.effectiveMTs,
        access: memory.access,
        bandwidthBytesPerS: memory.bandwidthBytesPerS,
        minorPerGib:
          gib === undefined || candidate.landedMinor === undefined ? undefined : ratioOf(candidate.landedMinor, gib),
        tested: testedBy(part, board),
        lookalikes: lookalikesOf(part, kits).flatMap(({ part: other, because }) => {
          // another line's name is another name; a word more or less is what gets overlooked
          const close = because === 'variant' || part.name.startsWith(other.name) || other.name.startsWith(part.name);
          if (other.kind !== 'memory' || !close) return [];
          const differences = differencesOf(part, other).filter(({ field }) => !LISTS.has(field.path));
          return differences.length > 0 ? [{ part: other, differences }] : [];
        }),
      },
    ];
  });
  return { rows, fits: rows.length, paysUpTo: stopsPaying(rows) };
}

/** Lists of what was tested say nothing about the kit itself. */
const LISTS = new Set(['testedBoards']);

function testedBy(kit: PartOf<'memory'>, board: PartOf<'board'> | undefined): Tested {
  const byBoard = board?.testedMemory?.includes(kit.id);
  const byKit = board && kit.testedBoards?.includes(board.id);
  if (byBoard && byKit) return 'both';
  if (byBoard) return 'board';
  if (byKit) return 'memory';
  return byBoard === undefined || byKit === undefined ? 'unknown' : 'neither';
}

/** Of the kits as large as the one there: the cheapest whose gain is within what can be felt of the best one's. */
function stopsPaying(rows: readonly KitRow[]): KitRow | undefined {
  const now = rows.find((row) => row.candidate.current);
  const alike = rows.filter(
    (row) => row.gib !== undefined && row.gib === now?.gib && row.candidate.landedMinor !== undefined,
  );
  const best = Math.max(...alike.map((row) => row.candidate.effect.gain));
  return alike
    .filter((row) => row.candidate.effect.gain >= best - FELT)
    .sort((a, b) => (a.candidate.landedMinor ?? 0) - (b.candidate.landedMinor ?? 0))[0];
}
