import type { PartOf } from '../parts';
import { compareVersions } from './versions';

type Board = PartOf<'board'>;
export type FirmwareVersion = NonNullable<Board['firmwareVersions']>[number];

/** How new firmware gets onto the board before its processor is known to it. */
export type FlashRoute = 'not-needed' | 'without-processor' | 'with-processor' | 'unknown';

/** What happens when flashing goes wrong: a second chip starts, the same way is tried again, or there is no way back. */
export type WayBack = 'second-chip' | 'flash-again' | 'none' | 'unknown';

export type FirmwareStep =
  | { readonly do: 'load'; readonly version: string; readonly channel: FirmwareVersion['channel'] | undefined }
  | { readonly do: 'stick' }
  | { readonly do: 'power-bench' }
  | { readonly do: 'press-flash' }
  | { readonly do: 'borrow'; readonly families: readonly string[] }
  | { readonly do: 'flash-from-setup' }
  | { readonly do: 'change-processor' }
  | { readonly do: 'clear-settings' }
  | { readonly do: 'check-version'; readonly version: string };

export interface FirmwarePlan {
  /** What the board has: set by hand, else as it ships; undefined when not stated. */
  readonly has: string | undefined;
  /** The least version that knows the processor; undefined when any does. */
  readonly needs: string | undefined;
  /** The published version to take; undefined when none is listed that would do. */
  readonly takes: FirmwareVersion | undefined;
  readonly route: FlashRoute;
  /** Processor families that start on the firmware the board has, for flashing with a borrowed one. */
  readonly startsWith: readonly string[];
  readonly wayBack: WayBack;
  readonly steps: readonly FirmwareStep[];
}

/**
 * The version to take of those published: the newest release that knows the processor and has no known fault, else the
 * newest release, else the newest beta.
 */
export function versionToTake(
  versions: readonly FirmwareVersion[] | undefined,
  least: string | undefined,
): FirmwareVersion | undefined {
  const enough = (versions ?? [])
    .filter((entry) => least === undefined || compareVersions(entry.version, least) >= 0)
    .sort((a, b) => compareVersions(b.version, a.version));
  return (
    enough.find((entry) => entry.channel === 'release' && entry.fault === undefined) ??
    enough.find((entry) => entry.channel === 'release') ??
    enough[0]
  );
}

/** How a board gets the firmware that a processor needs, step by step, and what there is to fall back on. */
export function firmwarePlan(
  board: Board,
  processor: PartOf<'processor'> | undefined,
  byHand: string | undefined,
): FirmwarePlan {
  const has = byHand ?? board.shippedFirmware;
  const families = board.processorFamilies ?? [];
  const needs = families.find((entry) => entry.family === processor?.family)?.minimumFirmware;
  const takes = versionToTake(board.firmwareVersions, needs);
  const startsWith = families
    .filter(
      (entry) =>
        entry.minimumFirmware === undefined || (has !== undefined && compareVersions(has, entry.minimumFirmware) >= 0),
    )
    .map((entry) => entry.family);
  const flashable = board.flashWithoutProcessor;
  const route: FlashRoute =
    needs === undefined || (has !== undefined && compareVersions(has, needs) >= 0)
      ? 'not-needed'
      : has === undefined || flashable === undefined
        ? 'unknown'
        : flashable
          ? 'without-processor'
          : 'with-processor';
  const wayBack: WayBack = board.secondFirmwareChip
    ? 'second-chip'
    : flashable
      ? 'flash-again'
      : flashable === undefined || board.secondFirmwareChip === undefined
        ? 'unknown'
        : 'none';
  const version = takes?.version ?? needs;
  return { has, needs, takes, route, startsWith, wayBack, steps: version === undefined ? [] : stepsOf(route) };

  function stepsOf(way: FlashRoute): FirmwareStep[] {
    if (version === undefined) return [];
    const load: FirmwareStep[] = [{ do: 'load', version, channel: takes?.channel }, { do: 'stick' }];
    const after: FirmwareStep[] = [{ do: 'clear-settings' }, { do: 'check-version', version }];
    switch (way) {
      case 'without-processor':
        return [...load, { do: 'power-bench' }, { do: 'press-flash' }, ...after];
      case 'with-processor':
        return [
          ...load,
          { do: 'borrow', families: startsWith },
          { do: 'flash-from-setup' },
          { do: 'change-processor' },
          ...after,
        ];
      default:
        return [];
    }
  }
}
