import type { Assessment } from '../assess';
import { fullName } from '../model/fitted';
import { mends } from '../search/effect';
import type { Step } from '../search/coinSteps';
import { coins, number } from './format';

/** Below this change of a task's speed a step is told without it. */
const TOLD = 0.005;

/** What to change or add first, what it brings, and what it costs today. */
export function firstUpgradeWords({ part, replaces, effect }: Step, { facts, region }: Assessment): string {
  const what = replaces === undefined ? fullName(part) : `${fullName(part)} for ${replaces}`;
  const [most] = effect.tasks
    .flatMap(({ task, ratio, ratioBefore }) =>
      ratio && ratioBefore ? [{ task, change: ratio.likely / ratioBefore.likely }] : [],
    )
    .sort((a, b) => Math.abs(Math.log(b.change)) - Math.abs(Math.log(a.change)));
  const brings = [
    ...(mends(effect) > 0 ? ['mends a finding'] : []),
    ...(most && Math.abs(most.change - 1) > TOLD
      ? [`${facts.brief.tasks.find(({ id }) => id === most.task)?.name ?? most.task} × ${number(most.change)}`]
      : []),
  ];
  const price = effect.priceMinor === undefined ? '' : `, ${coins(effect.priceMinor, region.currency)} today`;
  return `First upgrade: ${what}${price}${brings.length > 0 ? `: ${brings.join(', ')}` : ''}.`;
}
