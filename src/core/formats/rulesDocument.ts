import { rules } from '../rules';

const cell = (text: string) => text.replaceAll('|', '\\|');

/** All rules as a page of documentation, made from the code that runs. */
export function rulesDocument(): string {
  const rows = rules.map(
    ({ id, holds, compares, reads, levels, source }) =>
      `| ${id} | ${cell(holds)} | ${cell(compares)} | ${reads.join(', ')} | ${levels.join(', ')} | ${cell(source)} |`,
  );
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
