import type { FittedParts } from '../model/fitted';
import { unique, type MissingFigure } from '../figures/missing';
import { fanChangeDb, loudness } from './air';
import { HEAT } from './constants';
import type { HeatSetup } from './setup';
import type { Steady } from './steady';

/** One thing that is heard, dB(A) at 1 m. */
export interface NoiseSource {
  readonly item: string;
  readonly what: 'cooler' | 'case fans' | 'fan' | 'card' | 'supply' | 'drive';
  readonly dbA: number;
}

/** A machine's noise. With figures missing it is a lower bound. */
export interface Noise {
  readonly dbA: number;
  readonly sources: readonly NoiseSource[];
  readonly missing: readonly MissingFigure[];
}

/** Below this speed a fan is not heard over its bearing; also keeps the fan law from minus infinity. */
const LEAST_SPEED = 0.15;

const slowed = (dbA: number, speed: number): number => dbA + fanChangeDb(1, Math.max(LEAST_SPEED, Math.min(1, speed)));

/**
 * Noise at a state of the fans: each source by the fan law from its stated full-speed level, added by energy. A
 * supply's stated level is that at half load; its fan follows the load above that.
 * @param deliveredW what the supply delivers
 */
export function noiseOf(parts: FittedParts, setup: HeatSetup, state: Steady, deliveredW: number): Noise {
  const sources: NoiseSource[] = [];
  const missing: MissingFigure[] = [];
  const hear = (
    item: string,
    part: string,
    field: string,
    what: NoiseSource['what'],
    dbA: number | undefined,
    speed: number,
    inside = true,
  ) => {
    if (dbA === undefined) missing.push({ item, part, field });
    // a level of zero is a part without anything that sounds
    else if (dbA > 0)
      sources.push({ item, what, dbA: slowed(dbA, speed) - (inside && setup.damped ? HEAT.dampedPanelsDb.value : 0) });
  };
  for (const hot of state.parts) {
    const part = setup.hot.find((entry) => entry.item === hot.item);
    if (!part?.hasFans) continue;
    const cooler = part.kind === 'processor' ? parts.one('cooler') : undefined;
    const owner = cooler ?? parts.all.find(({ item }) => item.id === hot.item);
    if (!owner) continue;
    hear(
      owner.item.id,
      owner.part.id,
      part.kind === 'processor' && !cooler ? 'includedCoolerNoiseDbA' : 'noiseDbA',
      part.kind === 'processor' ? 'cooler' : 'card',
      part.fanNoiseDbA,
      hot.speed,
    );
  }
  const chassis = parts.one('case');
  for (const side of setup.plan?.sides ?? [])
    for (const fan of side.fans) {
      if (fan.of === 'radiator') continue;
      const owner = fan.of !== 'added' ? chassis : parts.all.find(({ item }) => item.id === fan.item);
      if (owner)
        hear(
          owner.item.id,
          owner.part.id,
          fan.of === 'added' ? 'noiseDbA' : 'fansIncluded',
          fan.of === 'added' ? 'fan' : 'case fans',
          fan.noiseDbA,
          state.caseSpeed,
        );
    }
  const supply = parts.one('supply');
  if (supply) {
    const { ratedW, noiseDbA } = supply.part;
    const load = ratedW === undefined ? 0.5 : deliveredW / ratedW;
    // the level is stated at half load: what it is below that is not known to be less
    const dbA = noiseDbA === undefined ? undefined : noiseDbA + (load > 0.5 ? fanChangeDb(0.5, Math.min(1, load)) : 0);
    hear(supply.item.id, supply.part.id, 'noiseDbA', 'supply', dbA, 1, false);
  }
  for (const drive of parts.ofKind('drive'))
    if (drive.part.cellKind === 'magnetic')
      hear(drive.item.id, drive.part.id, 'noiseDbA', 'drive', drive.part.noiseDbA, 1);
  return {
    dbA: loudness(sources.map((source) => source.dbA)),
    sources: sources.sort((a, b) => b.dbA - a.dbA),
    missing: unique(missing),
  };
}
