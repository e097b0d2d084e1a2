/** Small seeded generator (mulberry32) so that the demo world is the same each time. Returns numbers in [0, 1). */
export function seeded(seed: number): () => number {
  let state = seed >>> 0;
  return () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let t = state;
    t = Math.imul(t ^ (t >>> 15), t | 1);
    t ^= t + Math.imul(t ^ (t >>> 7), t | 61);
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
}

/** A generator of a part's own, so that one part more or less changes no other's figures. */
export function seededBy(text: string): () => number {
  let hash = 0x811c9dc5;
  for (let i = 0; i < text.length; i++) hash = Math.imul(hash ^ text.charCodeAt(i), 0x01000193) >>> 0;
  return seeded(hash);
}

/** The demo's today, fixed so that pictures and tests repeat. */
export const DEMO_TODAY = '2026-05-18';
/** The day the offers were last asked for: the day before, so that asking again brings something. */
export const OFFERS_DAY = '2026-05-17';

/** Id from a name: "Tern 12" → "tern-12". */
export const slug = (text: string): string =>
  text
    .toLowerCase()
    .replace(/[^a-z0-9.]+/g, '-')
    .replace(/^-|-$/g, '');

/** A part as the catalogue file takes it, with its price before tax in region A's coins. */
export interface Priced {
  readonly part: Record<string, unknown> & {
    readonly id: string;
    readonly kind: string;
    readonly maker: string;
    readonly name: string;
  };
  readonly usd: number;
}

export function priced(
  kind: string,
  maker: string,
  name: string,
  usd: number,
  figures: Record<string, unknown>,
): Priced {
  return { part: { kind, id: slug(`${maker} ${name}`), maker, name, source: 'made up for the demo', ...figures }, usd };
}
