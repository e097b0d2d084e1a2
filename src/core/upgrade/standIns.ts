import type { Assessment } from '../assess';
import type { Item, Machine } from '../model/machine';
import { rankIn } from '../search/exact/rank';
import { atEnd } from '../versus/rivals';
import { worthOf } from './worth';

/** What a decision is at the least and at the best that parts can be which nobody named. */
export interface Ends {
  /** Hours a week that somebody waits less with the draft: with the least parts there now, and with the best. */
  readonly hours: readonly [number, number];
  /** How much of what is asked the machine that is there does, in %. */
  readonly percent: readonly [number, number];
}

/** What is not known of the machine that is there, and which of it matters most. */
export interface StandIns {
  readonly all: Ends;
  /** Each part that stands in for another, by how much it moves, the most first. */
  readonly items: readonly { readonly item: Item; readonly ends: Ends }[];
}

const widthOf = ({ hours, percent }: Ends): readonly [number, number] => [
  Math.abs(hours[0] - hours[1]),
  Math.abs(percent[0] - percent[1]),
];

/**
 * A draft against a machine of which parts are only known between two: all of them at their least and at their best, and
 * each by itself while the others stay as they stand. Undefined where every part is named.
 */
export function standInsOf(
  present: Machine,
  draft: Assessment,
  judge: (machine: Machine) => Assessment,
): StandIns | undefined {
  const standing = present.items.filter(({ standInRange }) => standInRange !== undefined);
  if (standing.length === 0) return undefined;
  const endsOf = (machines: readonly [Machine, Machine]): Ends => {
    const [least, best] = machines.map((machine) => {
      const assessment = judge(machine);
      return {
        hours: worthOf(assessment, draft).savedHoursAWeek.likely,
        percent: rankIn(assessment, 'likely').percent,
      };
    });
    return { hours: [least?.hours ?? 0, best?.hours ?? 0], percent: [least?.percent ?? 0, best?.percent ?? 0] };
  };
  const only = (item: Item, end: 0 | 1): Machine => ({
    ...present,
    items: present.items.map((entry) => {
      if (entry !== item || !item.standInRange) return entry;
      return { ...entry, part: item.standInRange[end] };
    }),
  });
  return {
    all: endsOf([atEnd(present, 0), atEnd(present, 1)]),
    items: standing
      .map((item) => ({ item, ends: endsOf([only(item, 0), only(item, 1)]) }))
      .sort((a, b) => {
        const [x, y] = [widthOf(a.ends), widthOf(b.ends)];
        return y[0] - x[0] || y[1] - x[1];
      }),
  };
}
