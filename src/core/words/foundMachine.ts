import type { Assessment } from '../assess';
import { fullName } from '../model/fitted';
import { PART_KINDS } from '../parts';
import { progress } from '../predict/worst';
import type { FoundMachine } from '../search/exact/judge';
import { sharesOf } from '../search/exact/shares';
import { owningOf } from '../versus/waitingStairs';
import { taskBeam } from './beams';
import { findingWords } from './findings';
import type { FoundWords, Good } from './found';
import { bindingName } from './names';

/** What stands beside a found machine by itself: what it costs as a basket, and its work as beams. */
const TOLD_BESIDE: ReadonlySet<string> = new Set(['budget', 'work']);

/** What a found machine does, what decides it, and how its money is split. */
export function foundWords({ machine, priceMinor, rank }: FoundMachine, assessment: Assessment): FoundWords {
  const { facts } = assessment;
  const { brief, price } = facts;
  const results = assessment.tasks.filter(({ ratio }) => ratio !== undefined);
  const [tightest] = [...results].sort((a, b) => progress(a) - progress(b));
  const name = brief.tasks.find(({ id }) => id === tightest?.task)?.name;
  const split = [...sharesOf(facts)].map(([what, minor]) => ({ what, minor }));
  const rest = Math.max(0, price.total.landedMinor - split.reduce((all, { minor }) => all + minor, 0));
  return {
    machine,
    priceMinor,
    rank,
    beams: assessment.tasks.flatMap((result) => {
      const task = brief.tasks.find(({ id }) => id === result.task);
      // where it comes from is asked of the draft that it becomes
      return task ? [{ task: task.id, beam: { ...taskBeam(task, result), derivations: [] } }] : [];
    }),
    decides: tightest && name && tightest.binds ? `${name}, on ${bindingName(tightest)}` : undefined,
    cautions: assessment.findings.flatMap((finding) =>
      finding.level === 'caution' && !TOLD_BESIDE.has(finding.rule) ? [findingWords(finding).says] : [],
    ),
    shares: [...split, { what: 'the rest', minor: rest }],
    owning: owningOf(assessment, priceMinor),
    goods: goodsOf(facts),
  };
}

function goodsOf({ parts, price }: Assessment['facts']): Good[] {
  const minorOf = new Map(price.items.map(({ item, landed }) => [item, landed?.landedMinor]));
  const goods = new Map<string, Good>();
  for (const { item, part } of parts.all) {
    const before = goods.get(part.id);
    const minor = minorOf.get(item.id);
    goods.set(part.id, {
      part: part.id,
      name: fullName(part),
      maker: part.maker,
      kind: part.kind,
      pieces: (before?.pieces ?? 0) + 1,
      minor: minor === undefined || (before && before.minor === undefined) ? undefined : (before?.minor ?? 0) + minor,
      owned: item.owned === true,
    });
  }
  return [...goods.values()].sort((a, b) => PART_KINDS.indexOf(a.kind) - PART_KINDS.indexOf(b.kind));
}
