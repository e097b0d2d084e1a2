import { describe, expect, test } from 'vitest';
import { figureMeta, partSchema } from '../parts';
import { ASKS_FOR_MORE } from '../parts/directions';
import { failing } from '../rules/rule';
import { CHANGES, judge, tried, worldOf } from './worlds';

describe('a better figure', () => {
  test.each(CHANGES)('%s: turns no pass into a fault', (name, change) => {
    const world = worldOf(change);
    const before = judge(world);
    const wrong: string[] = [];
    for (const item of world.machine.items) {
      const part = world.data.parts.find((other) => other.id === item.part);
      if (!part) continue;
      for (const [field, value] of Object.entries(part)) {
        const { better } = figureMeta(part.kind, field);
        if (typeof value !== 'number' || ASKS_FOR_MORE.has(field) || (better !== 'higher' && better !== 'lower'))
          continue;
        if (!tried(name, part.kind, field)) continue;
        const improved = better === 'higher' ? Math.ceil(value * 2) : value / 2;
        const parsed = partSchema.safeParse({ ...part, [field]: improved });
        if (!parsed.success) continue;
        const after = judge({
          ...world,
          data: { ...world.data, parts: world.data.parts.map((other) => (other === part ? parsed.data : other)) },
        });
        for (const finding of after.findings)
          if (
            failing(finding.level) &&
            !before.findings.some(
              ({ rule, level }) => rule === finding.rule && (failing(level) || level === 'unproven'),
            )
          )
            wrong.push(`${part.id}.${field}: ${finding.level} ${finding.rule}`);
      }
    }
    expect(wrong).toEqual([]);
  });
});
