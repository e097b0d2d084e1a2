import { z } from 'zod';
import { idText, isoDate, plainText } from '../parts/common';
import { briefSchema } from '../model/brief';
import { machineSchema } from '../model/machine';
import { listOf, minorUnits } from '../units/bounds';
import { quoteSchema, type Quote } from './document';
import type { Priced } from './priced';
import { quoteTermsSchema } from './terms';

/** What a revision is made from: drafts of seats, others in place of a single one, and terms. */
export const revisionSpecSchema = z.strictObject({
  subjects: listOf(z.strictObject({ seat: z.string().max(200), draft: z.string().max(200) }), 40).min(1),
  others: listOf(z.string().max(200), 12).default([]),
  /** Parts that go beside the machines, for when one fails. */
  spares: listOf(z.strictObject({ part: idText, count: z.number().int().min(1).max(50) }), 20).default([]),
  terms: quoteTermsSchema,
});
export type RevisionSpec = z.infer<typeof revisionSpecSchema>;

export const WAYS_TO_SEND = ['mail', 'page', 'file'] as const;
export type WayToSend = (typeof WAYS_TO_SEND)[number];

/** What stays in the workshop of a quote that went out. */
export const insideSchema = z.strictObject({
  costMinor: minorUnits(),
  marginMinor: z.number().int(),
  lines: z.array(
    z.strictObject({
      name: plainText(200),
      seat: plainText(120).optional(),
      part: idText.optional(),
      kind: z.string().optional(),
      count: z.number().int(),
      costMinor: minorUnits(),
      netMinor: z.number().int(),
    }),
  ),
  /** By how much a total that was asked for was missed. */
  missedMinor: z.number().int(),
});
export type Inside = z.infer<typeof insideSchema>;

/** What stays in the workshop, line by line. */
export function insideOf(
  { lines, costMinor, marginMinor, missedMinor }: Priced,
  quote: Pick<Quote, 'machines'>,
): Inside {
  return {
    costMinor,
    marginMinor,
    missedMinor,
    lines: lines.map(({ name, machine, part, kind, count, costMinor: cost, netMinor }) => {
      const seat = machine === undefined ? undefined : quote.machines[machine]?.seat;
      return {
        name,
        ...(seat === undefined ? {} : { seat }),
        ...(part === undefined ? {} : { part }),
        ...(kind === undefined ? {} : { kind }),
        count,
        costMinor: cost ?? 0,
        netMinor,
      };
    }),
  };
}

/** A seat as it stood when something was sent: what was sold is bought, whatever becomes of the drafts. */
export const seatThenSchema = z.strictObject({
  seat: z.string().max(200),
  name: plainText(120),
  project: plainText(120),
  brief: briefSchema,
  drafts: z.array(z.strictObject({ id: z.string().max(200), body: machineSchema })),
});
export type SeatThen = z.infer<typeof seatThenSchema>;

export const sentSchema = z.strictObject({
  on: isoDate,
  how: z.enum(WAYS_TO_SEND),
  to: plainText(200).optional(),
  quote: quoteSchema,
  inside: insideSchema,
  seats: z.array(seatThenSchema),
});
export type Sent = z.infer<typeof sentSchema>;

export const answerSchema = z.strictObject({
  state: z.enum(['accepted', 'declined']),
  on: isoDate,
  /** Who said it, where the page was told. */
  by: plainText(120).optional(),
  options: listOf(idText, 12).default([]),
  alternative: idText.optional(),
  /** What the client accepted, tax in. */
  totalMinor: minorUnits().optional(),
});
export type Answer = z.infer<typeof answerSchema>;

export type RevisionState = 'open' | 'sent' | 'accepted' | 'declined' | 'lapsed' | 'replaced';

/** What of a revision says where it stands. */
interface Standing {
  readonly revision: number;
  readonly sent: Sent | undefined;
  readonly answer: Answer | undefined;
}

/** Where a revision stands on a day among all of its quote: a later one that was sent stands in its place. */
export function stateOf({ revision, sent, answer }: Standing, all: readonly Standing[], today: string): RevisionState {
  if (!sent) return 'open';
  if (answer) return answer.state;
  if (all.some((each) => each.revision > revision && each.sent !== undefined)) return 'replaced';
  return today > sent.quote.validUntil ? 'lapsed' : 'sent';
}
