import type { Assessment } from '../assess';
import { editMachine } from '../model/edits';
import { fullName } from '../model/fitted';
import type { Machine } from '../model/machine';
import { boughtApart } from '../money/spent';
import type { Part, PartKind } from '../parts';
import { editFor } from '../search/candidates';
import { correction, loudest } from '../versus/advantages';
import type { NotAsked } from './document';
import { differenceOf } from './options';
import type { QuoteTerms } from './terms';
import { brings, cheapestOf, judge, type Offered } from './tried';

/** Parts of a kind that are tried: the cheapest that could do it. */
const TRIED = 10;
/** dB(A) below which nobody hears a difference. */
const QUIETER_BY = 2;

/**
 * What nobody asked for and would cost: memory that corrects errors, a second drive for what is worked on, a quieter case.
 * Each is tried on the machine under all rules; the cheapest that brings no conflict is told. Where nothing was found among
 * what was tried nothing is said, but that a platform which corrects no errors cannot.
 */
export function notAskedOf(offered: Offered, terms: QuoteTerms): NotAsked[] {
  return [errorCorrection(offered, terms), secondDrive(offered, terms), quieter(offered, terms)].flatMap(
    (found) => found ?? [],
  );
}

/** A change that could be made, with the part that comes in. */
interface Change {
  readonly part: Part;
  readonly changed: Machine;
}

/** The cheapest of some changes that brings no conflict and does what is meant. */
function best(
  offered: Offered,
  terms: QuoteTerms,
  changes: readonly Change[],
  good: (after: Assessment) => boolean = () => true,
): { readonly differenceMinor: number; readonly part: string; readonly after: Assessment } | undefined {
  const { assessment } = offered;
  const apart = ({ facts }: Assessment): number => boughtApart(facts.price).total.landedMinor;
  const [first] = changes
    .map(({ part, changed }) => ({ part, after: judge(offered, changed) }))
    .filter(({ after }) => brings(after, [assessment]).length === 0 && good(after))
    .sort((a, b) => apart(a.after) - apart(b.after));
  const differenceMinor = first && differenceOf(assessment, first.after, terms);
  return first && differenceMinor !== undefined
    ? { differenceMinor, part: fullName(first.part), after: first.after }
    : undefined;
}

/** The cheapest parts of a kind in place of one, each as a change. */
const inPlaceOf = (offered: Offered, item: string, kind: PartKind, wanted: (part: Part) => boolean): Change[] => {
  const { machine } = offered.assessment.facts;
  return cheapestOf(offered, kind, wanted, TRIED).map(({ part }) => ({
    part,
    changed: editMachine(machine, editFor(machine, { kind, item }, part)),
  }));
};

function errorCorrection(offered: Offered, terms: QuoteTerms): NotAsked | undefined {
  const { assessment, brief } = offered;
  const { parts } = assessment.facts;
  if (brief.mustHaves.errorCorrection === true || correction(assessment) !== false) return undefined;
  const what = 'error-correction';
  if ([parts.one('processor'), parts.one('board')].some((fitted) => fitted?.part.errorCorrection === false))
    return { what };
  const [kit, ...more] = parts.ofKind('memory');
  if (!kit || more.length > 0) return undefined;
  const sizeOf = ({ modules, moduleGiB }: { modules?: number | undefined; moduleGiB?: number | undefined }): number =>
    (modules ?? 0) * (moduleGiB ?? 0);
  const able = best(
    offered,
    terms,
    inPlaceOf(
      offered,
      kit.item.id,
      'memory',
      (part) =>
        part.kind === 'memory' &&
        part.errorCorrection === true &&
        part.generation === kit.part.generation &&
        sizeOf(part) >= sizeOf(kit.part),
    ),
    (after) => correction(after) === true,
  );
  return able && { what, differenceMinor: able.differenceMinor, part: able.part };
}

function secondDrive(offered: Offered, terms: QuoteTerms): NotAsked | undefined {
  const { machine, parts } = offered.assessment.facts;
  const [working, ...more] = parts.ofKind('drive').filter(({ item }) => item.roles?.includes('active') === true);
  if (!working || more.length > 0 || working.item.owned === true) return undefined;
  const changed = editMachine(machine, editFor(machine, { kind: 'drive', roles: ['backup'] }, working.part));
  const able = best(offered, terms, [{ part: working.part, changed }]);
  return able && { what: 'second-drive', differenceMinor: able.differenceMinor, part: able.part };
}

function quieter(offered: Offered, terms: QuoteTerms): NotAsked | undefined {
  const housing = offered.assessment.facts.parts.one('case');
  const now = loudest(offered.assessment);
  if (!housing || now === undefined || housing.item.owned === true) return undefined;
  const able = best(
    offered,
    terms,
    inPlaceOf(offered, housing.item.id, 'case', (part) => part.id !== housing.part.id),
    (after) => (loudest(after) ?? now) <= now - QUIETER_BY,
  );
  const dbA = able && loudest(able.after);
  return able && dbA !== undefined
    ? { what: 'quieter', differenceMinor: able.differenceMinor, part: able.part, dbA }
    : undefined;
}
