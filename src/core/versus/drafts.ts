import type { Assessment } from '../assess';
import type { AnyFitted } from '../model/fitted';
import { differencesOf, type Difference } from '../parts/lookalikes';
import { PART_KINDS, type PartKind } from '../parts';
import type { Finding } from '../rules/rule';

/** One line of two drafts side by side: what serves the same purpose in each. */
export interface Line {
  readonly kind: PartKind;
  readonly left: AnyFitted | undefined;
  readonly right: AnyFitted | undefined;
  readonly same: boolean;
  readonly leftMinor: number | undefined;
  readonly rightMinor: number | undefined;
  /** Figures that differ between two parts of the kind. */
  readonly differences: readonly Difference[];
}

/** Two drafts of a seat, line by line. */
export interface Comparison {
  readonly lines: readonly Line[];
  readonly onlyLeft: readonly Finding[];
  readonly onlyRight: readonly Finding[];
}

const rolesOf = ({ item }: AnyFitted): string => (item.roles ?? []).join();

/**
 * Pairs the items of two drafts by kind: first the same part, then the same roles, then what is left in order; what
 * has no counterpart stands alone.
 */
export function compareDrafts(left: Assessment, right: Assessment): Comparison {
  const minor = (assessment: Assessment, fitted: AnyFitted | undefined) =>
    assessment.facts.price.items.find((entry) => entry.item === fitted?.item.id)?.landed?.landedMinor;
  const lines = PART_KINDS.flatMap((kind): Line[] => {
    const rest: AnyFitted[] = [...right.facts.parts.ofKind(kind)];
    const take = (match: (other: AnyFitted) => boolean): AnyFitted | undefined => {
      const at = rest.findIndex(match);
      return at < 0 ? undefined : rest.splice(at, 1)[0];
    };
    const lefts: readonly AnyFitted[] = left.facts.parts.ofKind(kind);
    const pairs = new Map<AnyFitted, AnyFitted | undefined>();
    for (const one of lefts)
      pairs.set(
        one,
        take((other) => other.part.id === one.part.id && rolesOf(other) === rolesOf(one)),
      );
    for (const one of lefts)
      if (!pairs.get(one))
        pairs.set(
          one,
          take((other) => other.part.id === one.part.id),
        );
    for (const one of lefts)
      if (!pairs.get(one))
        pairs.set(
          one,
          take((other) => rolesOf(other) === rolesOf(one)),
        );
    for (const one of lefts)
      if (!pairs.get(one))
        pairs.set(
          one,
          take(() => true),
        );
    return [
      ...lefts.map((one) => [one, pairs.get(one)] as const),
      ...rest.map((other) => [undefined, other] as const),
    ].map(([one, other]) => ({
      kind,
      left: one,
      right: other,
      same: one !== undefined && one.part.id === other?.part.id && rolesOf(one) === rolesOf(other),
      leftMinor: minor(left, one),
      rightMinor: minor(right, other),
      differences: one && other ? differencesOf(one.part, other.part) : [],
    }));
  });
  // items have their own ids in each draft, so findings are told apart by rule and figures alone
  const without = (these: readonly Finding[], those: readonly Finding[]) => {
    const keys = new Set(those.map(spoken));
    return these.filter((finding) => !keys.has(spoken(finding)));
  };
  return {
    lines,
    onlyLeft: without(left.findings, right.findings),
    onlyRight: without(right.findings, left.findings),
  };
}

/** What of a finding names items, which two drafts number as they please. */
const NAMES_ITEMS: ReadonlySet<string> = new Set(['items', 'missing', 'subject', 'key']);

const spoken = (finding: Finding): string =>
  JSON.stringify(Object.entries(finding).filter(([key]) => !NAMES_ITEMS.has(key)));
