import { z } from 'zod';
import { idText, plainText } from '../../parts/common';

/** Where prices of one seller in one region come from. `{day}` in the address stands for the day that is asked for. */
export const priceSourceSchema = z
  .strictObject({
    id: idText,
    name: plainText(60),
    /** Whose prices they are, and where; exchange rates are nobody's. */
    seller: idText.optional(),
    region: idText.optional(),
    kind: z.enum(['http', 'file']),
    at: z.string().trim().min(1, 'is empty').max(500),
    format: z.enum(['json-ld', 'csv', 'rates']),
    /** Its prices are made up. */
    simulated: z.boolean().optional(),
    active: z.boolean().default(true),
  })
  .superRefine((source, context) => {
    if (source.format === 'rates') return;
    for (const field of ['seller', 'region'] as const)
      if (source[field] === undefined)
        context.addIssue({ code: 'custom', path: [field], message: `is missing: whose prices are they, and where` });
    if (source.kind === 'http' && !/^https?:\/\//.test(source.at))
      context.addIssue({ code: 'custom', path: ['at'], message: 'is no address that starts with http:// or https://' });
  });
export type PriceSource = z.infer<typeof priceSourceSchema>;
/** A source of a seller's prices. */
export type OfferSource = PriceSource & { readonly seller: string; readonly region: string };
export const isOfferSource = (source: PriceSource): source is OfferSource =>
  source.format !== 'rates' && source.seller !== undefined && source.region !== undefined;

/** A price as a feed says it, before anything is known about the part. */
export interface FeedEntry {
  /** Where in the answer, for messages: "row 7" or "product 3". */
  readonly place: string;
  readonly part: string | undefined;
  readonly gtin: string | undefined;
  readonly maker: string | undefined;
  readonly partNumber: string | undefined;
  readonly name: string | undefined;
  readonly price: string;
  readonly currency: string;
  readonly condition: 'new' | 'refurbished' | 'used';
  /** False when it cannot be bought now. */
  readonly available: boolean;
  readonly stock: number | undefined;
  readonly deliveryDays: number | undefined;
  readonly shipping: string | undefined;
  readonly asOf: string | undefined;
  readonly until: string | undefined;
}

export interface FeedProblem {
  readonly place: string;
  readonly message: string;
}

export interface FeedAnswer {
  readonly entries: readonly FeedEntry[];
  readonly problems: readonly FeedProblem[];
}
