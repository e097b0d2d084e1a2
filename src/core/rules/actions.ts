import type { Finding } from './rule';

/** What a person does about a finding, in the order it is done. */
export const ACTIONS = ['change', 'work', 'add', 'find-out', 'settle', 'weigh', 'save', 'know'] as const;
export type Action = (typeof ACTIONS)[number];

/** Settled on the bench by a step or a setting, not by another part. */
const ON_THE_BENCH: ReadonlySet<Finding['code']> = new Set<Finding['code']>([
  'firmware',
  'memory-rate',
  'memory-order',
  'mixed-kits',
  'tested-memory',
  'pump-header',
]);

/** Groups a finding by what is to be done about it. */
export function actionOf(finding: Finding): Action {
  if (finding.code === 'task-result') return 'work';
  if (finding.level === 'unproven') return 'find-out';
  if (finding.code.startsWith('surplus-')) return 'save';
  if (ON_THE_BENCH.has(finding.code) && finding.level !== 'blocks') return 'settle';
  if (finding.level === 'note') return 'know';
  if (finding.code === 'part-missing' || finding.adds?.includes('accessory')) return 'add';
  return finding.level === 'blocks' ? 'change' : 'weigh';
}

/** Findings by action, actions in order, empty ones left out; inside a group the order stays. */
export function byAction(findings: readonly Finding[]): { readonly action: Action; readonly findings: Finding[] }[] {
  return ACTIONS.map((action) => ({
    action,
    findings: findings.filter((finding) => actionOf(finding) === action),
  })).filter((group) => group.findings.length > 0);
}
