import { knownCore, type KnownCore } from '@/core/words/knownCore';
import { assessmentOf, useSeat } from '../seat/useSeat';

/** A core of the seat's present machine, else the reference core. */
export function useKnownCore(): KnownCore {
  const brief = useSeat((state) => state.bundle.brief.body);
  const present = useSeat((state) => state.bundle.drafts.find(({ body }) => body.present === true)?.body);
  const context = useSeat((state) => state.context);
  return knownCore(present && assessmentOf(present, brief, context));
}
