import type { Assessment } from '../assess';
import { fullName } from '../model/fitted';
import { mostChanged } from '../search/effect';
import type { Step } from '../search/coinSteps';
import { coins, number } from './format';
import { mendedWords } from './mended';

/** Below this change of a task's speed a step is told without it. */
const TOLD = 0.005;

/** What to change or add first, what it brings, and what it costs today. */
export function firstUpgradeWords({ part, replaces, effect }: Step, { facts, region }: Assessment): string {
  const what = replaces === undefined ? fullName(part) : `${fullName(part)} for ${replaces}`;
  const most = mostChanged(effect);
  const first = effect.mended.find(({ level }) => level !== 'note');
  const brings = [
    ...(first ? [`mends “${mendedWords(first)}”`] : []),
    ...(most && Math.abs(most.factor - 1) > TOLD
      ? [`${facts.brief.tasks.find(({ id }) => id === most.of.task)?.name ?? most.of.task} × ${number(most.factor)}`]
      : []),
  ];
  const price = effect.priceMinor === undefined ? '' : `, ${coins(effect.priceMinor, region.currency)} today`;
  return `First upgrade: ${what}${price}${brings.length > 0 ? `: ${brings.join(', ')}` : ''}.`;
}
