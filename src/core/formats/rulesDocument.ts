import { rules } from '../rules';
import { TOLD as HEAT } from '../rules/heat/told';
import { TOLD as HOUSING } from '../rules/housing/told';
import { TOLD as MEMORY } from '../rules/memory/told';
import { TOLD as PARTS } from '../rules/parts/told';
import { TOLD as PLATFORM } from '../rules/platform/told';
import { TOLD as PORTS } from '../rules/ports/told';
import { TOLD as POWER } from '../rules/power/told';
import { TOLD as PRICES } from '../rules/prices/told';
import { TOLD as SLOTS } from '../rules/slots/told';
import { TOLD as SURPLUS } from '../rules/surplus/told';
import type { Told } from '../rules/told';
import { TOLD as WORK } from '../rules/work/told';

/** What every rule is about, by its id. */
const TOLD: Told = {
  ...HEAT,
  ...HOUSING,
  ...MEMORY,
  ...PARTS,
  ...PLATFORM,
  ...PORTS,
  ...POWER,
  ...PRICES,
  ...SLOTS,
  ...SURPLUS,
  ...WORK,
};

const cell = (text: string) => text.replaceAll('|', '\\|');

/**
 * All rules as a page of documentation, made from the code that runs.
 * @throws RangeError where nothing tells what a rule is about, or of a rule that is none: a mistake in our own code
 */
export function rulesDocument(): string {
  const rows = rules.map(({ id, reads, levels }) => {
    const told = TOLD[id];
    if (!told) throw new RangeError(`nothing tells what the rule "${id}" is about`);
    return `| ${id} | ${cell(told.holds)} | ${cell(told.compares)} | ${reads.join(', ')} | ${levels.join(', ')} | ${cell(told.source)} |`;
  });
  const [none] = Object.keys(TOLD).filter((id) => !rules.some((rule) => rule.id === id));
  if (none !== undefined) throw new RangeError(`there is no rule "${none}" to tell of`);
  return [
    '# Platform rules',
    '',
    `Made from the code by \`npm run rules\`; ${rules.length} rules, in the order in which their findings are told. A rule`,
    'passes when what it holds is so. When a figure that it needs is unknown it is *unproven* and names the figure.',
    'A change of the machine can only change what a rule says through what the rule reads (a test holds each to it).',
    '',
    '| Rule | Passes when | Compares | Reads | Can say | Source |',
    '| --- | --- | --- | --- | --- | --- |',
    ...rows,
    '',
  ].join('\n');
}
