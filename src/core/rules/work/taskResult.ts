import type { FittedParts } from '../../model/fitted';
import type { PartKind } from '../../parts';
import type { TaskResult } from '../../predict/results';
import { worstOf } from '../../predict/worst';
import type { Supply } from '../../predict/supply';
import { isOf, resourceKey, type Resource } from '../../figures/resources';
import type { Impossible } from '../../work/stage';
import { ESSENTIAL } from '../parts/partsComplete';
import type { Said, Level, Rule } from '../rule';

/** What would have to change for a task: parts that are there, and kinds that could be added. */
interface Lever {
  readonly items: readonly string[];
  readonly adds: readonly PartKind[];
}

/**
 * The work is part of the verdict: a task that does not run, or falls short of its target even at its best, is a finding
 * as loud as parts that do not belong together. What merely may fall short, the likely figure below the target, is a
 * caution.
 */
export const taskResult: Rule = {
  id: 'work',
  reads: ['sittings', 'any part', ...ESSENTIAL, 'cooler', 'graphics', 'expansion', 'mixer'],
  levels: ['stops', 'short', 'unproven', 'caution'],
  check: ({ brief, sittings, parts, supply }) => {
    // while the machine lacks what everybody sees that it lacks, nothing is said of its work
    if (ESSENTIAL.some((kind) => parts.ofKind(kind).length === 0)) return [];
    return brief.tasks.flatMap(({ id, name, importance }): Said[] => {
      const result = worstOf(id, sittings);
      if (!result) return [];
      const level = levelOf(result);
      // a missing figure is named by the rule about figures
      if (level === 'unproven' && result.missing.length > 0) return [];
      const { items, adds } = leverOf(result, parts, supply);
      const binding = result.uses.find((use) => use.resource === result.binds);
      return [
        {
          level,
          code: 'task-result',
          subject: id,
          items,
          adds,
          taskId: id,
          name,
          importance,
          sitting: result.sitting,
          mode: result.mode,
          unit: result.unit,
          target: result.target,
          gets: result.gets,
          atMost: result.atMost,
          verdict: result.verdict,
          binds: result.binds,
          bindsLabel: result.binds !== undefined && isOf(result.binds, 'flow') ? binding?.supply?.label : undefined,
          impossible: result.impossible,
        },
      ];
    });
  },
};

function levelOf({ verdict, impossible, gets, atMost, ratio }: TaskResult): Level {
  if (verdict === 'short') return impossible.length > 0 || (!gets && atMost === undefined) ? 'stops' : 'short';
  if (verdict === 'between') return (ratio?.likely ?? 0) < 1 - 1e-9 ? 'caution' : 'passes';
  return verdict === 'unproven' ? 'unproven' : 'passes';
}

/** Parts that decide the resource that binds, or that the task lacks. */
function leverOf({ impossible, binds }: TaskResult, parts: FittedParts, supply: Supply): Lever {
  const levers = impossible.length > 0 ? impossible.map((reason) => lackOf(reason, parts)) : [bindingOf(binds)];
  return {
    items: [...new Set(levers.flatMap(({ items }) => items))],
    adds: [...new Set(levers.flatMap(({ adds }) => adds))],
  };

  function bindingOf(resource: string | undefined): Lever {
    if (resource === undefined) return { items: [], adds: [] };
    switch (resourceKey(resource).of) {
      case 'flow':
      case 'uplink':
      case 'device':
        return { items: ids('drive', 'expansion', 'board'), adds: ['expansion'] };
      case 'processor':
        return { items: ids('processor', 'cooler'), adds: [] };
      case 'graphics':
      case 'engine':
        return { items: ids(parts.one('graphics') ? 'graphics' : 'processor'), adds: ['graphics'] };
      case 'memory':
        return { items: ids('memory'), adds: ['memory'] };
      case 'network':
        return { items: ids('expansion'), adds: ['expansion'] };
      case 'drive':
      case 'space':
        return { items: supply.of(resource as Resource)?.items ?? [], adds: ['drive'] };
    }
  }

  function ids(...kinds: readonly PartKind[]): string[] {
    return kinds.flatMap((kind) => parts.ofKind(kind).map(({ item }) => item.id));
  }

  function lackOf(reason: Impossible, fitted: FittedParts): Lever {
    switch (reason.code) {
      case 'part-missing':
        return { items: [], adds: [reason.kind === 'network' ? 'expansion' : (reason.kind as PartKind)] };
      case 'does-not-fit':
        return reason.what === 'memory'
          ? { items: ids('memory'), adds: ['memory'] }
          : { items: ids(fitted.one('graphics') ? 'graphics' : 'memory'), adds: ['graphics'] };
      case 'too-few-inputs':
      case 'input-too-slow':
        return { items: ids('expansion', 'mixer'), adds: ['expansion', 'mixer'] };
      case 'uplink-too-slow':
      case 'application-encodes-in-software':
        return { items: [], adds: [] };
      case 'no-encoder':
      case 'encoder-too-small':
      case 'no-compute-stack':
      case 'no-graphics':
      case 'too-many-sessions':
        return { items: ids('graphics'), adds: ['graphics'] };
    }
  }
}

/** From this importance on a task decides whether the machine does its work. */
export const IMPORTANT = 4;

/** Whether work that counts is not done: a task that is important or decisive does not run or falls short. */
export const workFails = (findings: readonly Said[]): boolean =>
  findings.some(
    (finding) =>
      finding.code === 'task-result' &&
      (finding.level === 'stops' || finding.level === 'short') &&
      finding.importance >= IMPORTANT,
  );
