import { isOnSale } from '../parts/onSale';
import { assess, type Assessment, type Context } from '../assess';
import { progress } from '../predict/worst';
import type { Brief } from '../model/brief';
import { editMachine } from '../model/edits';
import { fullName } from '../model/fitted';
import type { Machine } from '../model/machine';
import type { Part, PartKind } from '../parts';
import { fieldsOf, valueAt, type Field } from '../parts/fields';
import { type Finding } from '../rules/rule';
import type { Trials } from '../assess/trials';
import { basketOfMachine, type Basket } from '../money/basket';
import { cheapestOffer } from '../money/landed';
import { buyPolicy, type BuyPolicy } from '../money/policy';
import type { Region } from '../model/offers';

/** A figure in which a substitute differs. */
export interface Differs {
  readonly label: string;
  readonly unit: string | undefined;
  readonly from: unknown;
  readonly to: unknown;
}

/** A part that the other region does not sell, with what takes its place there; none when nothing is as good. */
export interface Substitute {
  readonly item: string;
  readonly from: string;
  readonly to: string | undefined;
  readonly differs: readonly Differs[];
}

/** A machine for the same work, bought in another region. */
export interface ElsewhereResult {
  readonly region: Region;
  readonly machine: Machine;
  readonly substitutes: readonly Substitute[];
  readonly basket: Basket;
  /** Findings that block there and not here. */
  readonly brought: readonly Finding[];
}

/** Kinds in the order in which substitutes are looked for: what others must fit comes first. */
const ORDER: readonly PartKind[] = ['processor', 'board', 'memory', 'graphics', 'drive', 'case', 'cooler', 'supply'];
const rank = (kind: PartKind): number => (ORDER.indexOf(kind) + ORDER.length) % (ORDER.length + 1);

/** Figures of which more is better: speeds and capacities. */
const goodFields = (kind: PartKind): readonly Field[] => fieldsOf(kind).filter((field) => field.better === 'higher');

/** At least as good in every speed and capacity that the original states; what the other does not state does not pass. */
export function asGood(original: Part, other: Part): boolean {
  return goodFields(original.kind).every((field) => {
    if (field.path.startsWith('evidence') || field.path === 'warrantyMonths') return true;
    const [mine, its] = [valueAt(original, field.path), valueAt(other, field.path)];
    return typeof mine !== 'number' || (typeof its === 'number' && its >= mine);
  });
}

const SAME_SPEED = 0.999;

/** No task does worse, and nothing is found that is worse than before. */
function noWorse(before: Assessment, after: Assessment): boolean {
  const known = new Set(before.findings.map(({ key }) => key));
  return (
    after.findings.every(
      (finding) => (finding.level !== 'blocks' && finding.level !== 'unproven') || known.has(finding.key),
    ) &&
    before.tasks.every((task) => {
      const its = after.tasks.find((entry) => entry.task === task.task);
      return its !== undefined && progress(its) >= progress(task) * SAME_SPEED;
    })
  );
}

/**
 * The same work in another region: its currency, tax and sellers. Parts that it does not sell give way to the cheapest
 * part of their kind there that is at least as good in every speed and capacity and makes no task slower and no finding
 * worse. The brief's budget, needed-by date and ceiling are kept as they are, the budget without its currency.
 * @throws RangeError when the region is not in the catalogue
 */
export function* elsewhereTrials(
  whole: Machine,
  brief: Brief,
  regionId: string,
  context: Context,
): Trials<ElsewhereResult> {
  const { catalogue, settings, today } = context;
  const region = catalogue.region(regionId);
  if (!region) throw new RangeError(`the region "${regionId}" is not in the catalogue`);
  const { budgetMinor: _budget, hourMinor: _hour, ...rest } = brief;
  const there: Brief = { ...rest, region: regionId };
  const policy = buyPolicy(there, settings, today);
  let machine = whole;
  let now = assess(machine, there, context);
  const substitutes: Substitute[] = [];
  const missing = now.facts.parts.all
    .filter(({ item, part }) => !item.owned && !item.handPrice && !cheapestOffer(catalogue, part, region, policy))
    .sort((a, b) => rank(a.part.kind) - rank(b.part.kind));
  for (const { item, part } of missing) {
    let found: { machine: Machine; assessment: Assessment; part: Part } | undefined;
    for (const candidate of soldAs(part, region, policy, context)) {
      const tried = editMachine(machine, {
        kind: 'swap',
        item: item.id,
        part: candidate.id,
        label: fullName(candidate),
      });
      const assessment = assess(tried, there, context);
      yield;
      if (!noWorse(now, assessment)) continue;
      found = { machine: tried, assessment, part: candidate };
      break;
    }
    substitutes.push({
      item: item.id,
      from: fullName(part),
      to: found && fullName(found.part),
      differs: found ? differences(part, found.part) : [],
    });
    if (found) [machine, now] = [found.machine, found.assessment];
  }
  const before = new Set(assess(whole, brief, context).findings.map(({ key }) => key));
  return {
    region,
    machine,
    substitutes,
    basket: basketOfMachine(now.facts.parts, catalogue, region, policy),
    brought: now.findings.filter((finding) => finding.level === 'blocks' && !before.has(finding.key)),
  };
}

/** Parts of the kind that the region sells and that are as good, cheapest first. */
function soldAs(part: Part, region: Region, policy: BuyPolicy, { catalogue, today }: Context): Part[] {
  return catalogue
    .ofKind(part.kind)
    .flatMap((candidate) => {
      const other = candidate as Part;
      if (other.id === part.id || !asGood(part, other) || !isOnSale(other, today)) return [];
      const best = cheapestOffer(catalogue, other, region, policy);
      return best && best.despite === undefined ? [{ other, landed: best.landed.landedMinor }] : [];
    })
    .sort((a, b) => a.landed - b.landed || (a.other.id < b.other.id ? -1 : 1))
    .map(({ other }) => other);
}

const IDENTITY = new Set([
  'id',
  'name',
  'maker',
  'partNumber',
  'gtin',
  'variantOf',
  'source',
  'listPrices',
  'evidence',
  'testedMemory',
  'testedBoards',
]);

/** Figures that differ, as far as both state them in one value. */
function differences(from: Part, to: Part): Differs[] {
  return fieldsOf(from.kind).flatMap((field): Differs[] => {
    const [head = ''] = field.path.split('.');
    if (IDENTITY.has(head)) return [];
    const [a, b] = [valueAt(from, field.path), valueAt(to, field.path)];
    const plain = (value: unknown) => value === undefined || typeof value !== 'object';
    if (!plain(a) || !plain(b) || a === b) return [];
    return [{ label: field.label, unit: field.unit, from: a, to: b }];
  });
}
