import { assess, progress, type Assessment, type Context } from '../assess';
import type { Brief } from '../brief';
import { fullName } from '../fitted';
import type { PartKind } from '../parts';
import { PART_KINDS } from '../parts';
import type { Verdict, Band } from '../units/band';
import { landedPrice, type Landed } from './landed';
import type { RivalModel } from './rivalSchema';

/** One kind of part on both sides. */
export interface PartRow {
  readonly kind: PartKind;
  readonly ours: readonly string[];
  readonly theirs: readonly { readonly name: string; readonly standsInFor: string | undefined }[];
  readonly same: boolean;
}

export interface TaskRow {
  readonly task: string;
  readonly ours: { readonly verdict: Verdict; readonly gets: Band | undefined; readonly ratio: Band | undefined };
  readonly theirs: { readonly verdict: Verdict; readonly gets: Band | undefined; readonly ratio: Band | undefined };
  /** Ours ÷ theirs, above 1 is faster; undefined when either is unknown or does not run. */
  readonly ratio: number | undefined;
  /** The rival's figure rests on a stand-in. */
  readonly standIn: boolean;
}

/** A draft against a branded machine, both on one tax basis. */
export interface Comparison {
  readonly rival: RivalModel;
  readonly assessment: Assessment;
  readonly theirs: Landed | undefined;
  readonly ours: Landed;
  readonly oursLowerBound: boolean;
  /** Ours ÷ theirs, landed (tax and shipping in), and before tax and shipping. */
  readonly priceRatio: number | undefined;
  readonly netPriceRatio: number | undefined;
  /** Importance-weighted geometric mean of the tasks' ratios that both sides run. */
  readonly speedRatio: number | undefined;
  readonly tasksCompared: number;
  /** Speed ratio ÷ landed price ratio: work per coin, ours over theirs. */
  readonly perCoinRatio: number | undefined;
  readonly tasks: readonly TaskRow[];
  readonly parts: readonly PartRow[];
  /** The rival's parts at offer prices, before tax and shipping, and what is left of its price; parts without an offer are named. */
  readonly theirParts: {
    readonly netMinor: number;
    readonly remainderMinor: number | undefined;
    readonly without: readonly string[];
  };
}

export function compareWithRival(draft: Assessment, rival: RivalModel, brief: Brief, context: Context): Comparison {
  const assessment = assess(rival.machine, brief, context);
  const offer = rival.offers.find((candidate) => candidate.region === brief.region);
  const theirs = offer && landedPrice(offer.priceMinor, offer.shippingMinor, draft.region);
  const ours = draft.facts.price.total;
  const tasks = taskRows(draft, assessment);
  const weighted = tasks.flatMap((row) => {
    const importance = brief.tasks.find((task) => task.id === row.task)?.importance ?? 1;
    return row.ratio === undefined ? [] : [{ importance, log: Math.log(row.ratio) }];
  });
  const weight = weighted.reduce((sum, entry) => sum + entry.importance, 0);
  const speedRatio =
    weight > 0 ? Math.exp(weighted.reduce((sum, entry) => sum + entry.importance * entry.log, 0) / weight) : undefined;
  const oursLowerBound = draft.facts.price.unpriced.length > 0;
  const priceRatio = theirs && !oursLowerBound ? ours.landedMinor / theirs.landedMinor : undefined;
  const at = assessment.facts.price;
  return {
    rival,
    assessment,
    theirs,
    ours,
    oursLowerBound,
    priceRatio,
    netPriceRatio: theirs && !oursLowerBound ? ours.netMinor / theirs.netMinor : undefined,
    speedRatio,
    tasksCompared: weighted.length,
    perCoinRatio:
      speedRatio !== undefined && priceRatio !== undefined && priceRatio > 0 ? speedRatio / priceRatio : undefined,
    tasks,
    parts: partRows(draft, assessment),
    theirParts: {
      netMinor: at.total.netMinor,
      remainderMinor: theirs && at.unpriced.length === 0 ? theirs.netMinor - at.total.netMinor : undefined,
      without: at.unpriced.map((id) => assessment.facts.machine.items.find((item) => item.id === id)?.label ?? id),
    },
  };
}

function taskRows(draft: Assessment, rival: Assessment): TaskRow[] {
  const standIns = new Set(
    rival.facts.machine.items.filter((item) => item.standsInFor !== undefined).map((item) => item.id),
  );
  const theirsBy = new Map(rival.tasks.map((result) => [result.task, result]));
  return draft.tasks.flatMap((ours): TaskRow[] => {
    const theirs = theirsBy.get(ours.task);
    if (!theirs) return [];
    const a = progress(ours);
    const b = progress(theirs);
    const decisive = new Set(theirs.uses.filter((use) => use.resource === theirs.binds).map((use) => use.resource));
    return [
      {
        task: ours.task,
        ours: { verdict: ours.verdict, gets: ours.gets, ratio: ours.ratio },
        theirs: { verdict: theirs.verdict, gets: theirs.gets, ratio: theirs.ratio },
        ratio: a > 0 && b > 0 ? a / b : undefined,
        standIn: [...decisive].some((resource) => suppliers(rival, resource).some((item) => standIns.has(item))),
      },
    ];
  });
}

/** Items whose figures decide a resource. */
function suppliers(assessment: Assessment, resource: string): readonly string[] {
  if (resource.includes('uplink') || resource.startsWith('flow') || resource === 'cpu.threads')
    return assessment.facts.parts.ofKind('board').map(({ item }) => item.id);
  return assessment.supply.of(resource as 'cpu.serial')?.items ?? [];
}

function partRows(draft: Assessment, rival: Assessment): PartRow[] {
  return PART_KINDS.flatMap((kind): PartRow[] => {
    const ours = draft.facts.parts.ofKind(kind);
    const theirs = rival.facts.parts.ofKind(kind);
    if (ours.length + theirs.length === 0) return [];
    return [
      {
        kind,
        ours: counted(ours.map(({ part }) => fullName(part))),
        theirs: theirs.map(({ part, item }) => ({ name: fullName(part), standsInFor: item.standsInFor })),
        same: ours.map(({ part }) => part.id).join() === theirs.map(({ part }) => part.id).join(),
      },
    ];
  });
}

/** "2 × name" instead of the name twice. */
function counted(names: readonly string[]): string[] {
  const counts = new Map<string, number>();
  for (const name of names) counts.set(name, (counts.get(name) ?? 0) + 1);
  return [...counts].map(([name, count]) => (count > 1 ? `${count} × ${name}` : name));
}
