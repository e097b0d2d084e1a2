import { listOf, pieces, quantity, quantityFromZero } from '../units/bounds';
import { z } from 'zod';
import { idText, plainText } from '../parts/common';

/** Trades that have applications of their own. */
export const APPLICATION_TRADES = [
  'edit',
  'live',
  'scene',
  'ingest',
  'audio',
  'cad',
  'render',
  'survey',
  'motion',
  'stills',
  'build',
  'learn',
] as const;
export type ApplicationTrade = (typeof APPLICATION_TRADES)[number];

/**
 * What an application makes of the same work (J3). `engine` means a media engine may do it; `graphics` that the card's
 * shaders do; `processor` that nothing is moved off the processor.
 */
export const applicationSchema = z.strictObject({
  id: idText,
  name: plainText(60),
  trade: z.enum(APPLICATION_TRADES),
  decode: z.enum(['engine', 'processor']),
  rawDecode: z.enum(['graphics', 'processor']),
  effects: z.enum(['graphics', 'processor']),
  engineEncode: z.boolean(),
  /** Threads its processor stages can keep busy. */
  threadCap: pieces(4096),
  /** Cards its graphics stages can use, and the share of each further card that arrives. */
  cards: z.strictObject({ max: pieces(64), gain: z.number().min(0).max(1) }),
  /** Largest picture it sends to an encoder engine, whatever the engine could do. */
  engineLimit: z.strictObject({ width: quantity('px').int(), height: quantity('px').int() }).optional(),
  /** Work of its stages against the trade's common case, where it is known to differ. */
  costs: z
    .strictObject({
      oneThread: z.number().positive().max(10).optional(),
      cores: z.number().positive().max(10).optional(),
      graphics: z.number().positive().max(10).optional(),
    })
    .optional(),
  computeStacks: listOf(plainText(40), 40),
  /** Operating systems it runs on; absent when not stated. */
  systems: listOf(plainText(40), 40).min(1).optional(),
  /** Its maker supports it only with a certified graphics driver. */
  certifiedDriver: z.boolean().optional(),
  /** Published minimum and recommended; a minimum is where trouble begins. */
  memoryGiB: z.strictObject({ minimum: quantity('GiB'), recommended: quantity('GiB') }),
  graphicsMemoryGiB: z.strictObject({ minimum: quantity('GiB'), recommended: quantity('GiB') }),
  /** What its own program takes before any picture is open. */
  ownMemoryGiB: quantity('GiB'),
  ownGraphicsMemoryGiB: quantityFromZero('GiB'),
});
export type ApplicationProfile = z.infer<typeof applicationSchema>;
