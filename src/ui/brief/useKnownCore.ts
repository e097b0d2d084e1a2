import { knownCore, type KnownCore } from '@/core/words/knownCore';
import { useMoment } from '../seat/moment';
import { assessmentOf, useSeat } from '../seat/useSeat';

/** A core of the seat's present machine, else the reference core. */
export function useKnownCore(): KnownCore {
  const { brief, context } = useMoment();
  const present = useSeat((state) => state.bundle.drafts.find(({ body }) => body.present === true)?.body);
  return knownCore(present && assessmentOf(present, brief, context));
}
