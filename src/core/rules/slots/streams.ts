import { resourceKey } from '../../figures/resources';
import { nameOf, type AnyFittedById, type Said, type Rule } from '../rule';

/** Shortfalls below this share are rounding. */
const SLIGHT = 0.001;

/**
 * What a device cannot send or take because of links: its own or one it shares. A drive that is slow by itself is the
 * task's beam, not a finding.
 */
export const streams: Rule = {
  id: 'streams',
  reads: ['sittings', 'wiring', 'any part', 'board'],
  levels: ['caution'],
  mendedBy: ['another slot'],
  check: ({ sittings, brief, board, parts }) => {
    const byId: AnyFittedById = new Map(parts.all.map((fitted) => [fitted.item.id, fitted]));
    const labelOf = (place: string) =>
      board?.hubs.get(place)?.label ??
      board?.slotById.get(place)?.label ??
      board?.integrated.find((entry) => entry.id === place)?.label ??
      place;
    const taskName = (id: string) => brief.tasks.find((task) => task.id === id)?.name ?? id;
    const sittingName = (id: string) => brief.sittings.find((sitting) => sitting.id === id)?.name ?? id;
    const boardItem = parts.one('board')?.item.id;
    const labelled = (id: string) => {
      const fitted = byId.get(id);
      return fitted ? nameOf(fitted) : labelOf(id);
    };
    const shortfalls = new Map<string, Shortfall>();
    const note = (
      sitting: string,
      task: string,
      place: string,
      short: Omit<Shortfall, 'sitting' | 'task' | 'place'>,
    ) => {
      const key = `${sitting} ${task} ${place}`;
      const before = shortfalls.get(key);
      shortfalls.set(key, {
        sitting,
        task,
        place,
        shared: short.shared,
        ends: [...new Set([...(before?.ends ?? []), ...short.ends])],
        needs: (before?.needs ?? 0) + short.needs,
        gets: (before?.gets ?? 0) + short.gets,
      });
    };
    let carried = 0;
    for (const { sitting, flows, tasks } of sittings) {
      for (const { flow, task, bytesPerS, realTime, narrowest } of flows) {
        if (!realTime || bytesPerS === undefined) continue;
        if (bytesPerS >= flow.bytesPerS * (1 - SLIGHT) || narrowest?.kind !== 'link') carried++;
        else
          note(sitting, task, narrowest.place, {
            ends: [flow.from, flow.to].filter((id) => id !== 'memory'),
            needs: flow.bytesPerS,
            gets: bytesPerS,
            shared: narrowest.shared,
          });
      }
      for (const result of tasks) {
        if (result.mode !== 'real-time') continue;
        for (const use of result.uses) {
          const key = resourceKey(use.resource);
          if (key.of !== 'uplink' || use.ratio === undefined || !use.supply) continue;
          if (use.ratio >= 1 - SLIGHT) carried++;
          else
            note(sitting, result.task, key.hub, {
              ends: [use.stage],
              needs: use.demand.value,
              gets: use.demand.value * use.ratio,
              shared: true,
            });
        }
      }
    }
    const checks = worstSittings([...shortfalls.values()]).map((short): Said => ({
      level: 'caution',
      code: 'stream',
      subject: `${short.task} ${short.ends.join()}`,
      items: [...short.ends.filter((id) => byId.has(id)), ...(boardItem === undefined ? [] : [boardItem])],
      task: taskName(short.task),
      taskId: short.task,
      sitting: sittingName(short.sitting),
      devices: short.ends.map(labelled),
      needsGBs: short.needs / 1e9,
      getsGBs: short.gets / 1e9,
      at: labelOf(short.place),
      shared: short.shared,
    }));
    if (checks.length > 0) return checks;
    return carried === 0 ? [] : [{ level: 'passes', code: 'streams-carried', items: [], count: carried }];
  },
};

/** The streams of a task that are narrowest at one place, together: the drives of an array fall short as one. */
interface Shortfall {
  readonly sitting: string;
  readonly task: string;
  readonly place: string;
  readonly shared: boolean;
  readonly ends: readonly string[];
  readonly needs: number;
  readonly gets: number;
}

/** Of several sittings with the same shortfall the one where least arrives. */
function worstSittings(shortfalls: readonly Shortfall[]): Shortfall[] {
  const worst = new Map<string, Shortfall>();
  for (const short of shortfalls) {
    const key = `${short.task} ${short.place}`;
    const before = worst.get(key);
    if (!before || short.gets / short.needs < before.gets / before.needs) worst.set(key, short);
  }
  return [...worst.values()];
}
