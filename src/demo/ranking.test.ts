import { describe, expect, test } from 'vitest';
import { assess, quickly, contextOf } from '@/core/assess';
import { compileCatalogue } from '@/core/model/catalogue';
import { readCatalogue } from '@/core/formats/catalogue';
import type { Machine } from '@/core/model/machine';
import type { PartKind } from '@/core/parts';
import { rankCandidates, withPart, type Position } from '@/core/search/candidates';
import { effectOf, outcomeOf, type Effect } from '@/core/search/effect';
import { figureKey, trialBench } from '@/core/search/trial';
import { demoCatalogue } from './catalogue';
import { filmBrief, filmDrafts } from './ninefathom';
import { DEMO_TODAY } from './seed';

const read = readCatalogue(JSON.stringify(demoCatalogue(800)));
if (!read.ok) throw new Error(JSON.stringify(read.problems.slice(0, 3)));
const context = contextOf(compileCatalogue(read.value), DEMO_TODAY);
const brief = filmBrief();
const [draft] = filmDrafts();
if (!draft) throw new Error('the demo has no draft');

/** What a person sees of an effect, in an order that does not depend on which rule spoke first. */
const seen = (effect: Effect) => ({
  ...effect,
  mended: effect.mended.map((finding) => JSON.stringify(finding)).sort(),
  brought: effect.brought.map((finding) => JSON.stringify(finding)).sort(),
  eased: effect.eased.map((finding) => JSON.stringify(finding)).sort(),
});

/** The draft with more of what serves by rank: a second kit, a second card, more drives. */
const crowded: Machine = {
  ...draft,
  items: [
    ...draft.items,
    { id: 'memory-2', part: draft.items.find((item) => item.id === 'memory-1')?.part ?? draft.items[0]!.part },
    { id: 'drive-4', part: draft.items.find((item) => item.id === 'drive-2')!.part, roles: ['backup'] },
  ],
};

const POSITIONS: readonly (readonly [string, Machine, Position])[] = [
  ...(['processor', 'board', 'memory', 'graphics', 'supply', 'case', 'cooler'] as const).map(
    (kind: PartKind): readonly [string, Machine, Position] => [`another ${kind}`, draft, { kind, item: `${kind}-1` }],
  ),
  ['another drive beside others', crowded, { kind: 'drive', item: 'drive-2' }],
  ['another kit beside a second one', crowded, { kind: 'memory', item: 'memory-1' }],
  ['a card more', draft, { kind: 'expansion' }],
  ['a drive more, pinned', draft, { kind: 'drive', roles: ['backup'], pin: 'm2-3' }],
  ['a small thing more', draft, { kind: 'accessory' }],
  ['a fan more', draft, { kind: 'fan' }],
];

describe('ranking by groups of equal figures', () => {
  test.each(POSITIONS)('%s: each effect is that of a full assessment', (_, machine, position) => {
    const before = assess(machine, brief, quickly(context));
    const candidates = rankCandidates(machine, brief, position, context, before);
    const bench = trialBench(before, brief, context);
    const found = before.findings.filter(({ level }) => level !== 'note');
    expect(candidates.length).toBeGreaterThan(5);
    expect(found.length).toBeGreaterThan(2);
    for (const { part, edit, effect } of candidates) {
      const changed = withPart(machine, position, part);
      const after = assess(changed, brief, quickly(context));
      expect(seen(effect), part.id).toEqual(seen(effectOf(outcomeOf(before), outcomeOf(after))));
      // what is asked before anything else is worked out has to say the same
      const { work, mends } = bench.glance(edit, changed, part);
      expect(work, part.id).toEqual({ tasks: effect.tasks, gain: effect.gain });
      expect(mends(), part.id).toBe(effect.mended.some(({ level }) => level !== 'note'));
      for (const finding of found)
        expect(!bench.leaves(finding, edit, changed, part), `${part.id} ${finding.key}`).toBe(
          effect.mended.some(({ key }) => key === finding.key),
        );
    }
  });

  test('puts parts into one group only when no figure differs', () => {
    const keys = new Map<number, string[]>();
    for (const part of context.catalogue.ofKind('memory'))
      keys.set(figureKey(part), [...(keys.get(figureKey(part)) ?? []), part.id]);
    for (const ids of keys.values()) {
      const rates = new Set(ids.map((id) => JSON.stringify(figures(id))));
      expect([...rates]).toHaveLength(1);
    }
    expect(keys.size).toBeLessThan(context.catalogue.ofKind('memory').length);
  });
});

function figures(id: string) {
  const part = context.catalogue.part(id);
  return part?.kind === 'memory' ? [part.rateMTs, part.casLatency, part.moduleGiB, part.modules, part.heightMm] : [];
}
