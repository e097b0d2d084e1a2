import { existsSync, readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';

/** Share of the processor’s time that others may take before results say more of them than of the machine. */
const BUSY = 0.15;

const text = (path: string): string => {
  try {
    return readFileSync(path, 'utf8').trim();
  } catch {
    return '';
  }
};

/** Whether a machine runs on its battery, by what its power supplies say. */
export function onBattery(folder = '/sys/class/power_supply'): boolean {
  if (!existsSync(folder)) return false;
  const supplies = readdirSync(folder).map((name) => ({
    type: text(join(folder, name, 'type')),
    online: text(join(folder, name, 'online')),
    status: text(join(folder, name, 'status')),
  }));
  const mains = supplies.filter(({ type }) => type === 'Mains' || type === 'USB');
  const discharging = supplies.some(({ type, status }) => type === 'Battery' && status === 'Discharging');
  return discharging && !mains.some(({ online }) => online === '1');
}

interface Times {
  readonly busy: number;
  readonly all: number;
}

/** Ticks of all processors since the system was started, from the first line of its statistics. */
export function timesOf(stat: string): Times {
  const ticks = (stat.split('\n')[0] ?? '').trim().split(/\s+/).slice(1, 9).map(Number);
  const all = ticks.reduce((sum, each) => sum + each, 0);
  // idle, and waiting for drives
  return { all, busy: all - (ticks[3] ?? 0) - (ticks[4] ?? 0) };
}

/** Share of the time that the processors were busy between two looks. */
export const busyBetween = (before: Times, after: Times): number =>
  after.all > before.all ? (after.busy - before.busy) / (after.all - before.all) : 0;

/** Why nothing should be measured here now; nothing where all is well. */
export async function unfitness(
  look = () => text('/proc/stat'),
  power?: string,
  wait = () => new Promise((resolve) => setTimeout(resolve, 1500)),
): Promise<string[]> {
  const before = timesOf(look());
  await wait();
  const busy = busyBetween(before, timesOf(look()));
  return [
    ...(onBattery(power) ? ['It runs on its battery, which holds clocks down: put it on the mains.'] : []),
    ...(busy > BUSY
      ? [
          `Other programs keep its processors ${Math.round(busy * 100)} % busy, so results would tell of them: end them or wait.`,
        ]
      : []),
  ];
}
