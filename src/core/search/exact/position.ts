import type { DriveRole } from '../../figures/resources';
import type { Item } from '../../model/machine';
import type { Part, PartKind } from '../../parts';
import type { Choices, Option } from './option';

/** A place of a machine that is filled by choosing. */
export interface Position {
  readonly name: string;
  readonly kinds: readonly PartKind[];
  /** Of these kinds it takes only such parts; without it all. */
  readonly wants?: (part: Part) => boolean;
  readonly choices: Choices;
  /** What is there now, where the question is about machines near the one that it starts from; see `near.ts`. */
  readonly held?: Option;
}

/** All machines that are looked through: one option of each position, and what is kept. */
export interface Space {
  readonly positions: readonly Position[];
  readonly kept: readonly Item[];
  readonly keptParts: readonly Part[];
  readonly keptMinor: number;
  /** Roles that drives are still chosen for. */
  readonly roles: readonly DriveRole[];
  /** Positions that may be filled otherwise than they are held; undefined where nothing is. */
  readonly changes?: number;
}
