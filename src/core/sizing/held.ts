import type { Assessment } from '../assess';
import { publishedFloors } from './kinds';
import { GIB } from '../units/quantity';

/** The least size the trade sells that holds what the tasks need, with the room the model's spread asks for. */
export interface DerivedSize {
  readonly what: string;
  readonly needsBytes: number;
  /** Need at the high end of the constants' spread. */
  readonly safeBytes: number;
  readonly size: string;
}

/** Module sets that fill two channels, in GiB a module. */
const MODULES = [8, 16, 24, 32, 48, 64, 96, 128];
const CARDS = [4, 6, 8, 12, 16, 20, 24, 32, 48];
const DRIVES_TB = [0.5, 1, 2, 4, 8, 12, 18, 24];

/** Memory as a set of modules that populates all channels, graphics memory and drives by role, from the tasks alone. */
export function derivedSizes(assessment: Assessment, draft: Assessment): DerivedSize[] {
  const worst = new Map<string, { needs: number; safe: number }>();
  for (const sitting of assessment.facts.sittings)
    for (const hold of sitting.holds) {
      if (hold.what.startsWith('space:')) continue;
      const before = worst.get(hold.what);
      if (!before || hold.needs.value > before.needs)
        worst.set(hold.what, { needs: hold.needs.value, safe: hold.needs.value * hold.needs.spread });
    }
  for (const [role, needs] of assessment.facts.kept)
    worst.set(`space:${role}`, { needs: needs.value, safe: needs.value * needs.spread });
  const channels = draft.facts.memory.channels ?? 2;
  // what the applications' makers publish, with a margin, is asked for as well as what is held
  for (const { what, recommendedGib, withMarginGib } of publishedFloors(assessment)) {
    const held = worst.get(what) ?? { needs: 0, safe: 0 };
    worst.set(what, {
      needs: Math.max(held.needs, recommendedGib * GIB),
      safe: Math.max(held.safe, withMarginGib * GIB),
    });
  }
  return [...worst].map(([what, { needs, safe }]): DerivedSize => {
    const base = { what, needsBytes: needs, safeBytes: safe };
    if (what === 'memory') {
      const module = MODULES.find((gib) => gib * channels * GIB >= safe);
      return {
        ...base,
        size: module ? `${channels} × ${module} GB` : `more than ${channels} × ${MODULES[MODULES.length - 1] ?? 0} GB`,
      };
    }
    if (what === 'graphics memory') {
      const gib = CARDS.find((size) => size * GIB >= safe);
      return { ...base, size: gib ? `${gib} GB` : `more than ${CARDS[CARDS.length - 1] ?? 0} GB` };
    }
    const tb = DRIVES_TB.find((size) => size * 1e12 >= safe);
    return { ...base, size: tb === undefined ? 'several drives' : tb < 1 ? `${tb * 1000} GB` : `${tb} TB` };
  });
}
