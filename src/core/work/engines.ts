import { type AnyFitted, type FittedParts, fullName } from '../model/fitted';
import type { Chroma } from '../units/quantity';
import type { Codec, MediaEngine } from '../parts/common';
import type { MissingFigure } from '../figures/missing';

/** A media engine and where it sits. */
export interface EngineAt {
  readonly engine: MediaEngine;
  readonly on: 'graphics' | 'processor';
  readonly item: string;
  readonly where: string;
}

export type EngineChoice =
  | { readonly kind: 'found'; readonly at: EngineAt }
  | { readonly kind: 'too-small'; readonly maxWidth: number; readonly maxHeight: number }
  | { readonly kind: 'none' }
  | { readonly kind: 'unknown'; readonly missing: readonly MissingFigure[] };

/** Media engines of the machine, cards before the processor's own. */
export interface Engines {
  readonly list: readonly EngineAt[];
  readonly missing: readonly MissingFigure[];
  /** Neither card nor processor is chosen: what the work asks of them is told as if the right engine will be there. */
  readonly toCome?: true;
}

/** Engines of a machine of which nothing is chosen yet. */
export const ENGINES_TO_COME: Engines = { list: [], missing: [], toCome: true };

/** Rate of an engine to come; nothing is sized by it. */
const TO_COME_MPX = 1000;

export function enginesOf(parts: FittedParts): Engines {
  const list: EngineAt[] = [];
  const missing: MissingFigure[] = [];
  for (const card of parts.ofKind('graphics')) {
    if (card.part.mediaEngines === undefined) missing.push(lacks(card, 'mediaEngines'));
    for (const engine of card.part.mediaEngines ?? [])
      list.push({ engine, on: 'graphics', item: card.item.id, where: fullName(card.part) });
  }
  for (const processor of parts.ofKind('processor')) {
    const integrated = processor.part.integratedGraphics;
    if (integrated === undefined) missing.push(lacks(processor, 'integratedGraphics'));
    else if (integrated !== 'none') {
      if (integrated.mediaEngines === undefined) missing.push(lacks(processor, 'integratedGraphics'));
      for (const engine of integrated.mediaEngines ?? [])
        list.push({ engine, on: 'processor', item: processor.item.id, where: fullName(processor.part) });
    }
  }
  return { list, missing };
}

const lacks = (fitted: AnyFitted, field: string): MissingFigure => ({
  item: fitted.item.id,
  part: fitted.part.id,
  field,
});

/**
 * The fastest engine for this picture. A deeper or fuller engine also does the shallower format. When none is found
 * but some engines are unknown, the answer is unknown, not none.
 */
export function chooseEngine(
  engines: Engines,
  wanted: {
    direction: 'decode' | 'encode';
    codec: Codec;
    chroma: Chroma;
    bitDepth: number;
    width: number;
    height: number;
  },
): EngineChoice {
  if (engines.toCome) {
    const { direction, codec, chroma, bitDepth, width, height } = wanted;
    const depth = bitDepth <= 8 ? 8 : bitDepth <= 10 ? 10 : bitDepth <= 12 ? 12 : 16;
    return {
      kind: 'found',
      at: {
        engine: {
          direction,
          codec,
          chroma,
          bitDepth: depth,
          mpxPerS: TO_COME_MPX,
          maxWidth: width,
          maxHeight: height,
        },
        on: 'graphics',
        item: '',
        where: 'a card to come',
      },
    };
  }
  let best: EngineAt | undefined;
  let maxWidth = 0;
  let maxHeight = 0;
  for (const at of engines.list) {
    const { engine } = at;
    if (
      engine.direction !== wanted.direction ||
      engine.codec !== wanted.codec ||
      engine.chroma < wanted.chroma ||
      engine.bitDepth < wanted.bitDepth
    )
      continue;
    maxWidth = Math.max(maxWidth, engine.maxWidth);
    maxHeight = Math.max(maxHeight, engine.maxHeight);
    if (engine.maxWidth < wanted.width || engine.maxHeight < wanted.height) continue;
    if (!best || engine.mpxPerS > best.engine.mpxPerS) best = at;
  }
  if (best) return { kind: 'found', at: best };
  if (engines.missing.length > 0) return { kind: 'unknown', missing: engines.missing };
  return maxWidth > 0 ? { kind: 'too-small', maxWidth, maxHeight } : { kind: 'none' };
}
