import type { Level } from '@/core/rules/rule';
import { VerdictMark } from './Beam';

const VERDICT = { blocks: 'short', unproven: 'unproven', caution: 'between', passes: 'carries' } as const;
export const LEVEL_WORD: Readonly<Record<Level, string>> = {
  blocks: 'blocks',
  unproven: 'unproven',
  caution: 'caution',
  note: 'note',
  passes: 'passes',
};

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
