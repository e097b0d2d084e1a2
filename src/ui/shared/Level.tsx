import { countByLevel, LEVELS, type Finding, type Level } from '@/core/rules/rule';
import { VerdictMark } from './Beam';

const VERDICT = {
  blocks: 'short',
  stops: 'short',
  short: 'short',
  unproven: 'unproven',
  caution: 'between',
  passes: 'carries',
} as const;
export const LEVEL_WORD: Readonly<Record<Level, string>> = {
  blocks: 'blocks',
  stops: 'does not run',
  short: 'falls short',
  unproven: 'unproven',
  caution: 'caution',
  note: 'note',
  passes: 'passes',
};
/** The same words for several. */
const SEVERAL: Readonly<Record<Level, string>> = {
  ...LEVEL_WORD,
  blocks: 'block',
  stops: 'do not run',
  short: 'fall short',
  caution: 'cautions',
  note: 'notes',
};

/** "2 block", "1 falls short". */
export const levelText = (level: Level, count: number): string =>
  `${count} ${(count === 1 ? LEVEL_WORD : SEVERAL)[level]}`;

/** Findings by level in words, for who cannot see the signs. */
export function levelSummary(findings: readonly Finding[]): string {
  const counts = countByLevel(findings);
  const said = LEVELS.flatMap((level) => (counts[level] > 0 ? [levelText(level, counts[level])] : []));
  return said.length > 0 ? said.join(', ') : 'nothing to mend';
}

/** The sign of a finding's level; the same shapes as the beams use. */
export function LevelSign({ level }: { level: Level }) {
  return (
    <svg width={13} height={13} viewBox="0 0 12 14" aria-hidden="true" style={{ flex: 'none', verticalAlign: '-2px' }}>
      {level === 'note' ? (
        <path d="M1 7H11" stroke="var(--quiet)" strokeWidth={2.5} />
      ) : (
        <VerdictMark verdict={VERDICT[level]} />
      )}
    </svg>
  );
}

/** Levels that are worth a look at a glance. */
export const LOUD = ['blocks', 'stops', 'short', 'unproven', 'caution'] as const;
